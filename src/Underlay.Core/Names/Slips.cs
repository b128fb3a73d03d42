namespace Underlay.Core.Names;

/// <summary>Tells names that differ by a slip of the hand.</summary>
public static class Slips
{
    // One slip in so many letters is a slip; more is another word.
    private const int LettersPerSlip = 4;

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

    /// <summary>
    /// The name that a text was probably meant to be: the one with the fewest slips, in long names more than one; null when none is
    /// near.
    /// </summary>
    public static string? Nearest(IEnumerable<string> names, string text)
    {
        var most = Math.Max(1, text.Length / LettersPerSlip);
        string? nearest = null;
        var fewest = most + 1;
        foreach (var name in names)
        {
            if (name == text || Math.Abs(name.Length - text.Length) > fewest) continue;
            var slips = name.Equals(text, StringComparison.OrdinalIgnoreCase)
                ? 1
                : Count(name.ToLowerInvariant(), text.ToLowerInvariant(), fewest + 1);
            if (slips < fewest || (slips == fewest && nearest is not null && string.CompareOrdinal(name, nearest) < 0))
                (nearest, fewest) = (name, slips);
        }

        return fewest <= most ? nearest : null;
    }

    /// <summary>How many slips lie between two texts; <paramref name="enough"/> where they are that many or more.</summary>
    /// <remarks>Optimal string alignment: insertions, deletions, replacements and swaps of neighbours.</remarks>
    private static int Count(string a, string b, int enough)
    {
        var rows = new int[3][];
        for (var i = 0; i < 3; i++) rows[i] = new int[b.Length + 1];
        for (var j = 0; j <= b.Length; j++) rows[0][j] = j;
        for (var i = 1; i <= a.Length; i++)
        {
            var (now, last, before) = (rows[i % 3], rows[(i + 2) % 3], rows[(i + 1) % 3]);
            now[0] = i;
            var least = i;
            for (var j = 1; j <= b.Length; j++)
            {
                now[j] = Math.Min(Math.Min(now[j - 1], last[j]) + 1, last[j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1));
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]) now[j] = Math.Min(now[j], before[j - 2] + 1);
                least = Math.Min(least, now[j]);
            }

            if (least >= enough) return enough;
        }

        return Math.Min(rows[a.Length % 3][b.Length], enough);
    }
}
