namespace Underlay.Core.Placements;

/// <summary>Tells names that differ by one slip of the hand.</summary>
public static class Slips
{
    /// <summary>
    /// True when one letter too many, too few, another or two swapped make the one text of the other, or only their case
    /// differs. Equal texts are not one apart.
    /// </summary>
    /// <remarks>Damerau–Levenshtein distance 1, or equality without case.</remarks>
    public static bool AreOneApart(ReadOnlySpan<char> a, ReadOnlySpan<char> b)
    {
        if (a.SequenceEqual(b)) return false;
        if (a.Equals(b, StringComparison.OrdinalIgnoreCase)) return true;
        if (Math.Abs(a.Length - b.Length) > 1) return false;
        var start = a.CommonPrefixLength(b);
        a = a[start..];
        b = b[start..];
        if (a.Length > b.Length) return a[1..].SequenceEqual(b);
        if (b.Length > a.Length) return b[1..].SequenceEqual(a);
        if (a[1..].SequenceEqual(b[1..])) return true;
        return a.Length >= 2 && a[0] == b[1] && a[1] == b[0] && a[2..].SequenceEqual(b[2..]);
    }
}
