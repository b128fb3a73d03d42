using System.Numerics;

namespace Underlay.Core.Formats.Png;

/// <summary>Tries the five row filters on a row, to tell which leaves least.</summary>
/// <remarks>PNG specification, sections 9.2 and 12.8.</remarks>
internal static class PngFilterTrials
{
    /// <summary>How many filters there are.</summary>
    public const int Filters = 5;

    /// <summary>What a filter leaves of a row.</summary>
    /// <param name="filter">The filter's type.</param>
    /// <param name="padded">The row behind a pixel of nothing, so that every byte has a left neighbour.</param>
    /// <param name="paddedAbove">The row above, alike.</param>
    /// <param name="channels">Bytes of a pixel.</param>
    /// <param name="to">As many bytes as the row has.</param>
    public static void Apply(byte filter, ReadOnlySpan<byte> padded, ReadOnlySpan<byte> paddedAbove, int channels, Span<byte> to)
    {
        ReadOnlySpan<byte> row = padded.Slice(channels, to.Length), left = padded[..to.Length];
        ReadOnlySpan<byte> up = paddedAbove.Slice(channels, to.Length), corner = paddedAbove[..to.Length];
        switch (filter)
        {
            case 0:
                row.CopyTo(to);
                break;
            case 1:
                Subtract(row, left, to);
                break;
            case 2:
                Subtract(row, up, to);
                break;
            case 3:
                SubtractMean(row, left, up, to);
                break;
            default:
                SubtractPaeth(row, left, up, corner, to);
                break;
        }
    }

    /// <summary>The sum of what is left, each byte taken as a number with a sign.</summary>
    public static long SumOf(ReadOnlySpan<byte> filtered)
    {
        var i = 0;
        var sums = Vector<uint>.Zero;
        for (; i <= filtered.Length - Vector<byte>.Count; i += Vector<byte>.Count)
        {
            var bytes = new Vector<byte>(filtered[i..]);
            Vector.Widen(Vector.Min(bytes, Vector<byte>.Zero - bytes), out var low, out var high);
            Vector.Widen(low + high, out var lower, out var upper);
            sums += lower + upper;
        }

        long sum = Vector.Sum(sums);
        for (; i < filtered.Length; i++) sum += Math.Abs((int)(sbyte)filtered[i]);
        return sum;
    }

    private static void Subtract(ReadOnlySpan<byte> from, ReadOnlySpan<byte> what, Span<byte> to)
    {
        var i = 0;
        for (; i <= to.Length - Vector<byte>.Count; i += Vector<byte>.Count)
            (new Vector<byte>(from[i..]) - new Vector<byte>(what[i..])).CopyTo(to[i..]);
        for (; i < to.Length; i++) to[i] = (byte)(from[i] - what[i]);
    }

    private static void SubtractMean(ReadOnlySpan<byte> row, ReadOnlySpan<byte> left, ReadOnlySpan<byte> up, Span<byte> to)
    {
        var i = 0;
        for (; i <= to.Length - Vector<byte>.Count; i += Vector<byte>.Count)
        {
            Vector<byte> one = new(left[i..]), other = new(up[i..]);
            // Half of a sum that would not fit in a byte: what both have, and half of what one has.
            var mean = (one & other) + ((one ^ other) >>> 1);
            (new Vector<byte>(row[i..]) - mean).CopyTo(to[i..]);
        }

        for (; i < to.Length; i++) to[i] = (byte)(row[i] - ((left[i] + up[i]) >> 1));
    }

    private static void SubtractPaeth(
        ReadOnlySpan<byte> row,
        ReadOnlySpan<byte> left,
        ReadOnlySpan<byte> up,
        ReadOnlySpan<byte> corner,
        Span<byte> to)
    {
        var i = 0;
        for (; i <= to.Length - Vector<byte>.Count; i += Vector<byte>.Count)
        {
            Vector.Widen(new Vector<byte>(left[i..]), out var lowLeft, out var highLeft);
            Vector.Widen(new Vector<byte>(up[i..]), out var lowUp, out var highUp);
            Vector.Widen(new Vector<byte>(corner[i..]), out var lowCorner, out var highCorner);
            var nearest = Vector.Narrow(Paeth(lowLeft, lowUp, lowCorner), Paeth(highLeft, highUp, highCorner));
            (new Vector<byte>(row[i..]) - nearest).CopyTo(to[i..]);
        }

        for (; i < to.Length; i++) to[i] = (byte)(row[i] - Paeth(left[i], up[i], corner[i]));
    }

    private static int Paeth(int left, int up, int corner)
    {
        int byLeft = Math.Abs(up - corner), byUp = Math.Abs(left - corner), byCorner = Math.Abs(left + up - corner - corner);
        return byLeft <= byUp && byLeft <= byCorner ? left : byUp <= byCorner ? up : corner;
    }

    private static Vector<ushort> Paeth(Vector<ushort> left, Vector<ushort> up, Vector<ushort> corner)
    {
        var (a, b, c) = (Vector.AsVectorInt16(left), Vector.AsVectorInt16(up), Vector.AsVectorInt16(corner));
        Vector<short> byLeft = Vector.Abs(b - c), byUp = Vector.Abs(a - c), byCorner = Vector.Abs(a + b - c - c);
        return Vector.ConditionalSelect(
            Vector.AsVectorUInt16(Vector.LessThanOrEqual(byLeft, byUp) & Vector.LessThanOrEqual(byLeft, byCorner)),
            left,
            Vector.ConditionalSelect(Vector.AsVectorUInt16(Vector.LessThanOrEqual(byUp, byCorner)), up, corner));
    }
}
