using System.Buffers;
using System.Diagnostics.CodeAnalysis;
using System.Text;

namespace Underlay.Core.Packs;

/// <summary>
/// A path in a pack or a base: segments joined by "/", in Unicode normal form C, relative, safe on every system.
/// Compared ordinally. Parsed once, at the border; a value of this type is always sound.
/// </summary>
public readonly record struct PackPath : IComparable<PackPath>
{
    /// <summary>The most characters that a path may have.</summary>
    public const int MaxLength = 400;

    private static readonly HashSet<string> DeviceNames = new(StringComparer.OrdinalIgnoreCase)
    {
        "con", "prn", "aux", "nul",
        "com0", "com1", "com2", "com3", "com4", "com5", "com6", "com7", "com8", "com9",
        "lpt0", "lpt1", "lpt2", "lpt3", "lpt4", "lpt5", "lpt6", "lpt7", "lpt8", "lpt9",
    };

    // Characters that are sound wherever they stand, and in normal form as they are.
    private static readonly SearchValues<char> Plain = SearchValues.Create(
        "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789_-./ ");

    private readonly string? value;

    private PackPath(string value) => this.value = value;

    /// <summary>The whole path.</summary>
    public string Value => value ?? "";

    /// <summary>The last segment.</summary>
    public string FileName => Value[(Value.LastIndexOf('/') + 1)..];

    /// <summary>The segments, outermost first.</summary>
    public string[] Segments => Value.Split('/');

    /// <summary>Parses a path that is known to be sound, such as a constant.</summary>
    /// <exception cref="FormatException">It is not sound.</exception>
    public static PackPath Parse(string text) =>
        TryParse(text, out var path, out var problem) ? path : throw new FormatException($"“{text}” {problem.Says()}.");

    /// <summary>Parses a path from outside.</summary>
    /// <param name="text">The name as found.</param>
    /// <param name="path">The path, when true is returned.</param>
    /// <param name="problem">The first problem, when false is returned.</param>
    public static bool TryParse([NotNullWhen(true)] string? text, out PackPath path, out PathProblem problem)
    {
        path = default;
        problem = default;
        if (FindProblem(text) is { } found)
        {
            problem = found;
            return false;
        }

        path = new PackPath(text!);
        return true;
    }

    /// <summary>True when the path lies in the folder, at any depth.</summary>
    /// <param name="folder">A folder without a slash at its end.</param>
    public bool IsBelow(string folder) =>
        Value.Length > folder.Length && Value[folder.Length] == '/' && Value.StartsWith(folder, StringComparison.Ordinal);

    /// <inheritdoc/>
    public int CompareTo(PackPath other) => string.CompareOrdinal(Value, other.Value);

    /// <inheritdoc/>
    public override string ToString() => Value;

    /// <summary>Ordinal order.</summary>
    public static bool operator <(PackPath left, PackPath right) => left.CompareTo(right) < 0;

    /// <summary>Ordinal order.</summary>
    public static bool operator >(PackPath left, PackPath right) => left.CompareTo(right) > 0;

    /// <summary>Ordinal order.</summary>
    public static bool operator <=(PackPath left, PackPath right) => left.CompareTo(right) <= 0;

    /// <summary>Ordinal order.</summary>
    public static bool operator >=(PackPath left, PackPath right) => left.CompareTo(right) >= 0;

    private static PathProblem? FindProblem(string? text)
    {
        if (string.IsNullOrEmpty(text)) return PathProblem.Empty;
        if (text.Length > MaxLength) return PathProblem.TooLong;
        if (text[0] == '/') return PathProblem.Absolute;
        var isPlain = !text.AsSpan().ContainsAnyExcept(Plain);
        if (!isPlain && FindProblemOfCharacters(text) is { } problem) return problem;
        foreach (var range in text.AsSpan().Split('/'))
        {
            var segment = text.AsSpan(range);
            if (segment.IsEmpty) return PathProblem.EmptySegment;
            if (segment is "." or "..") return PathProblem.Traversal;
            if (segment[^1] is '.' or ' ') return PathProblem.TrailingDotOrSpace;
            var dot = segment.IndexOf('.');
            var stem = dot < 0 ? segment : segment[..dot];
            if (stem.Length is 3 or 4 && DeviceNames.GetAlternateLookup<ReadOnlySpan<char>>().Contains(stem))
                return PathProblem.ReservedName;
        }

        return isPlain || text.IsNormalized(NormalizationForm.FormC) ? null : PathProblem.NotNormal;
    }

    private static PathProblem? FindProblemOfCharacters(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            var c = text[i];
            if (char.IsControl(c) || c == '\uFFFD') return PathProblem.ControlCharacter;
            if (c == '\\') return PathProblem.Backslash;
            if (c is ':' or '*' or '?' or '"' or '<' or '>' or '|') return PathProblem.ReservedCharacter;
            if (!char.IsSurrogate(c)) continue;
            if (!char.IsHighSurrogate(c) || i + 1 == text.Length || !char.IsLowSurrogate(text[i + 1])) return PathProblem.ControlCharacter;
            i++;
        }

        return null;
    }
}
