namespace Underlay.Core.Packs;

/// <summary>
/// Orders names as people count: digits in a row by their worth, so that 64, 96, 128 and 192 follow each other; all else ordinally.
/// </summary>
public sealed class NaturalOrder : IComparer<string>
{
    /// <summary>The order.</summary>
    public static NaturalOrder Comparer { get; } = new();

    /// <inheritdoc/>
    public int Compare(string? x, string? y)
    {
        ReadOnlySpan<char> a = x, b = y;
        while (a.Length > 0 && b.Length > 0)
        {
            var (one, other) = (DigitsOf(a), DigitsOf(b));
            if (one > 0 && other > 0)
            {
                var by = CompareNumbers(a[..one], b[..other]);
                if (by != 0) return by;
                a = a[one..];
                b = b[other..];
                continue;
            }

            if (a[0] != b[0]) return a[0].CompareTo(b[0]);
            a = a[1..];
            b = b[1..];
        }

        return a.Length != b.Length ? a.Length.CompareTo(b.Length) : string.CompareOrdinal(x, y);
    }

    private static int DigitsOf(ReadOnlySpan<char> text)
    {
        var count = 0;
        while (count < text.Length && char.IsAsciiDigit(text[count])) count++;
        return count;
    }

    private static int CompareNumbers(ReadOnlySpan<char> a, ReadOnlySpan<char> b)
    {
        a = a.TrimStart('0');
        b = b.TrimStart('0');
        return a.Length != b.Length ? a.Length.CompareTo(b.Length) : a.SequenceCompareTo(b);
    }
}
