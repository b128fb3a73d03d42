using Underlay.Core.Names;

namespace Underlay.Core.Placements;

/// <summary>A file's name and folders, taken apart for matching.</summary>
internal sealed class SpokenPath
{
    // Names of things have fewer words.
    private const int LongestRun = 8;

    public SpokenPath(Packs.PackPath path)
    {
        var segments = path.Segments;
        Stem = KnownTargets.StemOf(segments[^1]);
        Name = NameWords.Of(Stem);
        Folders = [.. segments.SkipLast(1).Reverse().Select(NameWords.Of)];
        Tail = KnownTargets.TailOf(path);
        MayBeOwn = [.. Name.AllTokens.Where(t => !t.IsNumber && !Name.Tokens.Contains(t)).Select(t => t.Text)];
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

    private static IEnumerable<string> RunsOf(IReadOnlyList<NameToken> tokens) =>
        Enumerable.Range(0, tokens.Count)
            .SelectMany(from => Enumerable.Range(1, Math.Min(LongestRun, tokens.Count - from))
                .Select(length => string.Concat(tokens.Skip(from).Take(length).Select(t => t.Text))));
}
