using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>
/// What was asked of a stack while something was worked out of it. After a change it tells whether the outcome may be another,
/// so that what was worked out need not be worked out again.
/// </summary>
/// <remarks>
/// The stack notes what it is asked for whoever works on the same thread; work that is led over several threads counts as having
/// asked for everything. Of pictures only that they are there and can be read is noted, not what they show.
/// </remarks>
internal sealed class ReadSet
{
    [ThreadStatic]
    private static ReadSet? now;

    private HashSet<PackPath>? paths;
    private HashSet<(string Place, string Value)>? values;
    private HashSet<string>? places;
    private HashSet<string>? said;
    private bool everything;

    /// <summary>Works something out, and tells what it asked.</summary>
    public static (T Outcome, ReadSet Reads) Record<T>(Func<T> work)
    {
        var (asked, outer) = (new ReadSet(), now);
        now = asked;
        try
        {
            return (work(), asked);
        }
        finally
        {
            now = outer;
        }
    }

    /// <summary>Asked what stands at a path, if anything.</summary>
    public static void NotePath(PackPath path)
    {
        if (now is { everything: false } asked) (asked.paths ??= []).Add(path);
    }

    /// <summary>Asked which entries of a place say a value somewhere.</summary>
    public static void NoteValue(string place, string value)
    {
        if (now is { everything: false } asked) (asked.values ??= []).Add((place, value));
    }

    /// <summary>Asked for all files of a place.</summary>
    public static void NotePlace(string place)
    {
        if (now is { everything: false } asked) (asked.places ??= new HashSet<string>(StringComparer.Ordinal)).Add(place);
    }

    /// <summary>Asked which files of a place there are, and for the texts in them; numbers may change.</summary>
    public static void NoteTextsIn(string place)
    {
        if (now is { everything: false } asked) (asked.said ??= new HashSet<string>(StringComparer.Ordinal)).Add(place);
    }

    /// <summary>Asked for more than can be told apart.</summary>
    public static void NoteEverything()
    {
        if (now is not { everything: false } asked) return;
        (asked.everything, asked.paths, asked.values, asked.places, asked.said) = (true, null, null, null, null);
    }

    /// <summary>True where an answer may be another after a change.</summary>
    public bool MayDifferAfter(StackChange change) =>
        everything
        || HaveCommon(paths, change.Paths)
        || HaveCommon(values, change.Values)
        || HaveCommon(places, change.Places)
        || HaveCommon(said, change.Said);

    private static bool HaveCommon<T>(HashSet<T>? asked, HashSet<T> changed)
    {
        if (asked is null) return false;
        var (few, many) = asked.Count < changed.Count ? (asked, changed) : (changed, asked);
        foreach (var item in few)
            if (many.Contains(item)) return true;
        return false;
    }
}
