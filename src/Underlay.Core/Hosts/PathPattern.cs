using System.Diagnostics.CodeAnalysis;
using Underlay.Core.Packs;

namespace Underlay.Core.Hosts;

/// <summary>
/// A pattern of paths: segments joined by "/", each with at most one hole in braces — a placeholder "{name}" or
/// a choice "{dawn,noon,lamp}" — and "**" for any number of folders.
/// </summary>
public sealed class PathPattern
{
    /// <summary>The name under which the folders at "**" are bound; empty where there are none.</summary>
    public const string AnyFolders = "**";

    private readonly Segment[] segments;
    private readonly Func<Bindings, PackPath?> fill;

    private PathPattern(string text, Segment[] segments)
    {
        fill = FillAnew;
        Text = text;
        this.segments = segments;
        LiteralCharacters = segments.Where(s => !s.IsAnyFolders).Sum(s => s.Before.Length + s.After.Length);
        Placeholders = [.. segments.Select(s => s.Hole?.Name).OfType<string>()];
        HasAnyFolders = segments.Any(s => s.IsAnyFolders);
    }

    /// <summary>The pattern as the profile gives it.</summary>
    public string Text { get; }

    /// <summary>How many characters stand outside of holes: of two patterns that fit, the one with more wins.</summary>
    public int LiteralCharacters { get; }

    /// <summary>True when it takes files at any depth.</summary>
    public bool HasAnyFolders { get; }

    /// <summary>The choices of a hole, or an empty list for a placeholder.</summary>
    public IReadOnlyList<string> ChoicesOf(string hole) => segments.FirstOrDefault(s => s.Hole?.Name == hole)?.Hole?.Choices ?? [];

    /// <summary>True for a hole that takes digits only.</summary>
    public bool IsNumber(string hole) => segments.FirstOrDefault(s => s.Hole?.Name == hole)?.Hole?.Placeholder?.Characters == "0-9";

    /// <summary>The names of the placeholders, in order. Choices have the name of their alternatives.</summary>
    public IReadOnlyList<string> Placeholders { get; }

    /// <summary>The segments, for comparing a path with the pattern piece by piece.</summary>
    internal IReadOnlyList<Segment> Segments => segments;

    /// <summary>Reads a pattern.</summary>
    /// <param name="text">The pattern.</param>
    /// <param name="placeholders">The profile's placeholders by name.</param>
    /// <param name="pattern">The pattern, when true is returned.</param>
    /// <param name="problem">What is wrong, when false is returned.</param>
    public static bool TryParse(
        string text,
        IReadOnlyDictionary<string, Placeholder> placeholders,
        [NotNullWhen(true)] out PathPattern? pattern,
        [NotNullWhen(false)] out string? problem)
    {
        pattern = null;
        problem = null;
        var segments = new List<Segment>();
        var names = new HashSet<string>(StringComparer.Ordinal);
        foreach (var part in text.Split('/'))
        {
            if (part.Length == 0) problem = "a path pattern without empty segments";
            else if (part == AnyFolders) segments.Add(Segment.Folders);
            else if (part.IndexOf('{', StringComparison.Ordinal) is var open && open < 0) segments.Add(new Segment(part, null, ""));
            else if (part.IndexOf('}', StringComparison.Ordinal) is var close && (close < open || part.IndexOf('{', open + 1) >= 0))
                problem = "at most one {hole} in a segment";
            else
            {
                var name = part[(open + 1)..close];
                var choices = name.Split(',');
                if (choices.Length == 1 && !placeholders.ContainsKey(name))
                    problem = $"a placeholder that the profile defines, not {{{name}}}";
                else if (!names.Add(name)) problem = $"each placeholder once, not {{{name}}} twice";
                else
                    segments.Add(
                        new Segment(
                            part[..open],
                            choices.Length > 1 ? new Hole(name, null, choices) : new Hole(name, placeholders[name], []),
                            part[(close + 1)..]));
            }

            if (problem is not null) return false;
        }

        if (segments[^1].IsAnyFolders) problem = "a file name at the end";
        if (problem is null) pattern = new PathPattern(text, [.. segments]);
        return problem is null;
    }

    /// <summary>What the path has at the placeholders, or null when it does not fit.</summary>
    public Bindings? Match(PackPath path) => Match(path.Segments);

    internal Bindings? Match(string[] path)
    {
        // Most patterns are told by their length alone.
        if (!HasAnyFolders && path.Length != segments.Length) return null;
        var found = new List<(string, string)>();
        return Match(path, 0, 0, found) ? Bindings.Of(found) : null;
    }

    /// <summary>The path that has the bindings at the placeholders, or null when one is missing or does not fit.</summary>
    public PackPath? Fill(Bindings bindings) => bindings.Recall(this, fill);

    private PackPath? FillAnew(Bindings bindings)
    {
        var parts = new string[segments.Length];
        for (var i = 0; i < segments.Length; i++)
        {
            var segment = segments[i];
            if (segment.IsAnyFolders)
            {
                if (bindings.Find(AnyFolders) is not { } folders) return null;
                parts[i] = folders;
                continue;
            }

            var value = "";
            if (segment.Hole is { } hole)
            {
                if (bindings.Find(hole.Name) is not { } bound || !hole.Takes(bound)) return null;
                value = bound;
            }

            parts[i] = segment.Before + value + segment.After;
        }

        return PackPath.TryParse(string.Join('/', parts.Where(p => p.Length > 0)), out var path, out _) ? path : null;
    }

    /// <inheritdoc/>
    public override string ToString() => Text;

    private bool Match(string[] path, int at, int segment, List<(string, string)> found)
    {
        if (segment == segments.Length) return at == path.Length;
        var wanted = segments[segment];
        if (wanted.IsAnyFolders)
        {
            for (var skip = at; skip < path.Length; skip++)
            {
                found.Add((AnyFolders, string.Join('/', path[at..skip])));
                if (Match(path, skip, segment + 1, found)) return true;
                found.RemoveAt(found.Count - 1);
            }

            return false;
        }

        if (at == path.Length || !wanted.Matches(path[at], out var value)) return false;
        if (wanted.Hole is { } hole) found.Add((hole.Name, value));
        if (Match(path, at + 1, segment + 1, found)) return true;
        if (wanted.Hole is not null) found.RemoveAt(found.Count - 1);
        return false;
    }

    internal sealed record Hole(string Name, Placeholder? Placeholder, string[] Choices)
    {
        public bool Takes(string value) => Placeholder is null ? Array.IndexOf(Choices, value) >= 0 : Placeholder.Takes(value);
    }

    internal sealed record Segment(string Before, Hole? Hole, string After)
    {
        public static Segment Folders { get; } = new(PathPattern.AnyFolders, null, "");

        public bool IsAnyFolders => ReferenceEquals(this, Folders);

        public bool Matches(string text, out string value)
        {
            value = "";
            if (Hole is null) return text == Before;
            if (text.Length < Before.Length + After.Length) return false;
            if (!text.StartsWith(Before, StringComparison.Ordinal) || !text.EndsWith(After, StringComparison.Ordinal)) return false;
            value = text[Before.Length..^After.Length];
            return Hole.Takes(value);
        }
    }
}
