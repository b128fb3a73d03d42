using Underlay.Core.Names;

namespace Underlay.Core.Placements;

/// <summary>A file's name and folders, taken apart for matching.</summary>
internal sealed class SpokenPath
{
    // Names of things have fewer words.
    private const int LongestRun = 8;

    // Of words of so many letters, ones a letter shorter may be slips, which no index of slips leads to.
    private const int Shortest = 4;

    private readonly int longest;
    private readonly bool hasShort;

    public SpokenPath(Packs.PackPath path)
    {
        var segments = path.Segments;
        Stem = KnownTargets.StemOf(segments[^1]);
        Name = NameWords.Of(Stem);
        Folders = [.. segments.SkipLast(1).Reverse().Select(NameWords.Of)];
        Tail = KnownTargets.TailOf(path);
        MayBeOwn = [.. Name.AllTokens.Where(t => !t.IsNumber && !Name.Tokens.Contains(t)).Select(t => t.Text)];
        longest = Folders.Prepend(Name).Max(n => n.AllTokens.Sum(t => t.Text.Length));
        hasShort = Pieces.Any(p => p.Length == Shortest - 1);
        FolderWords = Folders.SelectMany(f => f.Words).ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>The file's name as it stands, without what follows a dot.</summary>
    public string Stem { get; }

    public NameWords Name { get; }

    /// <summary>The folders, nearest first.</summary>
    public IReadOnlyList<NameWords> Folders { get; }

    public string[] Tail { get; }

    /// <summary>Words of copying and versioning, which may belong to a thing's own name.</summary>
    public IReadOnlyList<string> MayBeOwn { get; }

    /// <summary>The words of all folders.</summary>
    public IReadOnlySet<string> FolderWords { get; }

    /// <summary>Every piece that may speak of a target: of the name, of the name run together, and of each folder.</summary>
    public IEnumerable<string> Pieces =>
        Name.AllTokens.Select(t => t.Text)
            .Append(string.Concat(Name.Words))
            .Concat(Folders.SelectMany(f => f.Tokens.Select(t => t.Text).Append(string.Concat(f.Words))));

    /// <summary>What stands side by side in the name, or in a folder, run together: all that may be the whole name of a thing.</summary>
    public IEnumerable<string> Runs =>
        Folders.Prepend(Name)
            .SelectMany(n => n.Tokens.SequenceEqual(n.AllTokens) ? [n.Tokens] : new[] { n.Tokens, n.AllTokens })
            .SelectMany(RunsOf)
            .Distinct(StringComparer.Ordinal);

    /// <summary>
    /// False where so few words of a target's name are spoken that <see cref="NameMatch"/> finds nothing told: less than half of them,
    /// and too few letters for all of them run together. Quick, since a common word leads to hundreds.
    /// </summary>
    /// <param name="target">A target that shares a word with this.</param>
    /// <param name="pieces">The pieces of this, and what they may be but for a slip.</param>
    public bool MayTell(KnownTarget target, HashSet<string> pieces)
    {
        // A number, a member or a part alone is a hint.
        if (target.Number is not null || target.Choice is not null) return true;
        if (target.Role.Count > 0 && (target.Role.All(pieces.Contains) || target.Called.Any(pieces.Contains))) return true;
        if (longest >= target.Whole.Length - 1) return true;
        var spoken = 0;
        foreach (var word in target.Identity)
            if (pieces.Contains(word) || (hasShort && word.Length == Shortest)) spoken++;
        return spoken * 2 >= target.Identity.Count;
    }

    private static IEnumerable<string> RunsOf(IReadOnlyList<NameToken> tokens) =>
        Enumerable.Range(0, tokens.Count)
            .SelectMany(from => Enumerable.Range(1, Math.Min(LongestRun, tokens.Count - from))
                .Select(length => string.Concat(tokens.Skip(from).Take(length).Select(t => t.Text))));
}
