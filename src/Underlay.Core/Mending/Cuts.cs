using Underlay.Core.Formats;
using Underlay.Core.Names;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Mending;

/// <summary>A part of a recording that is taken.</summary>
/// <param name="From">Its first frame.</param>
/// <param name="To">The frame behind its last.</param>
/// <param name="Name">What it is: a path without ending.</param>
/// <param name="IsFurther">It is that once more, and gets the next number.</param>
public sealed record Cut(int From, int To, string Name, bool IsFurther = false);

/// <summary>A part with the name that it gets.</summary>
/// <param name="Cut">The part.</param>
/// <param name="Name">Its own path, without ending.</param>
/// <param name="Lines">The lines of the script that it answers; none where it is to wait in the tray.</param>
public sealed record NamedCut(Cut Cut, string Name, IReadOnlyList<ScriptLine> Lines)
{
    /// <summary>The recording as what it answers.</summary>
    public IEnumerable<SignalTake> As(ReadOnlyMemory<byte> recording) =>
        Lines.Select(line => Cut.IsFurther
            ? new SignalTake(SignalTakes.Further(line, PackPath.Parse(Name + Ending(line.Path))), recording, line.Sound)
            : new SignalTake(line, recording));

    private static string Ending(PackPath path) => path.Value[path.Value.LastIndexOf('.')..];
}

/// <summary>Names the parts of a recording.</summary>
public static class Cuts
{
    private static readonly string[] Endings = [.. FileFormats.All.OfType<SoundFormat>().SelectMany(f => f.Endings)];

    /// <summary>The parts under their names, further takes behind the first ones, since they are played where those are.</summary>
    /// <param name="overlay">The pack over its base; null where there is none.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="parts">The parts.</param>
    /// <param name="script">The lines of the script that parts may answer: none where all are to wait in the tray.</param>
    public static IReadOnlyList<NamedCut> Name(
        Overlay? overlay,
        FileTree tree,
        IReadOnlyList<Cut> parts,
        IEnumerable<ScriptLine> script)
    {
        var lines = script.ToLookup(l => NameOf(l.Path), StringComparer.Ordinal);
        var given = parts.Select(p => p.Name).ToHashSet(StringComparer.Ordinal);
        bool IsTaken(string name) =>
            given.Contains(name)
            || Endings.Select(e => PackPath.Parse(name + e)).Any(p =>
                overlay?.Shown(p) is not null
                    || tree.Find(p) is not null
                    || tree.Find(PackPath.Parse($"{ReservedFolder.Tray}/{p}")) is not null);
        var named = new List<NamedCut>();
        foreach (var part in parts.OrderBy(p => p.IsFurther))
        {
            var name = part.IsFurther ? NextNumber.After(part.Name, IsTaken) : part.Name;
            given.Add(name);
            named.Add(new NamedCut(part, name, [.. lines[part.Name]]));
        }

        return named;
    }

    /// <summary>The name by which parts know a sound: its path without ending.</summary>
    public static string NameOf(PackPath path) => path.Value[..path.Value.LastIndexOf('.')];
}
