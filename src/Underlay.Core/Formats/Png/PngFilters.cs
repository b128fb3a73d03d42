using System.Buffers.Binary;
using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;

namespace Underlay.Core.Formats.Png;

/// <summary>Reverses the five row filters.</summary>
/// <remarks>PNG specification, section 9.2.</remarks>
internal static class PngFilters
{
    /// <summary>The first filter type in the rows that does not exist, or null.</summary>
    /// <param name="rows">Rows, each a filter type and <paramref name="rowBytes"/> bytes.</param>
    /// <param name="rowBytes">Bytes of a row without its filter type.</param>
    public static byte? FirstUnknown(ReadOnlySpan<byte> rows, int rowBytes)
    {
        for (var at = 0; at < rows.Length; at += rowBytes + 1)
            if (rows[at] > 4) return rows[at];
        return null;
    }

    /// <summary>Reverses the filters in place.</summary>
    public static void Reverse(Span<byte> rows, int rowBytes, int pixelBytes)
    {
        var above = new byte[rowBytes].AsSpan();
        for (var at = 0; at < rows.Length; at += rowBytes + 1)
        {
            var row = rows.Slice(at + 1, rowBytes);
            switch (rows[at])
            {
                case 1: Sub(row, pixelBytes); break;
                case 2: Up(row, above); break;
                case 3: Average(row, above, pixelBytes); break;
                case 4: Paeth(row, above, pixelBytes); break;
            }

            above = row;
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Sub(Span<byte> row, int pixelBytes)
    {
        for (var i = pixelBytes; i < row.Length; i++) row[i] += row[i - pixelBytes];
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Up(Span<byte> row, ReadOnlySpan<byte> above)
    {
        var i = 0;
        for (; i + Vector<byte>.Count <= row.Length; i += Vector<byte>.Count)
            (new Vector<byte>(row[i..]) + new Vector<byte>(above[i..])).CopyTo(row[i..]);
        for (; i < row.Length; i++) row[i] += above[i];
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Average(Span<byte> row, ReadOnlySpan<byte> above, int pixelBytes)
    {
        above = above[..row.Length];
        for (var i = 0; i < pixelBytes; i++) row[i] += (byte)(above[i] >> 1);
        for (var i = pixelBytes; i < row.Length; i++) row[i] += (byte)((row[i - pixelBytes] + above[i]) >> 1);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static void Paeth(Span<byte> row, ReadOnlySpan<byte> above, int pixelBytes)
    {
        above = above[..row.Length];
        var done = pixelBytes is 3 or 4 ? PaethPixels(row, above, pixelBytes) : 0;
        for (var i = done; i < pixelBytes; i++) row[i] += above[i];
        for (var i = Math.Max(done, pixelBytes); i < row.Length; i++)
        {
            int a = row[i - pixelBytes], b = above[i], c = above[i - pixelBytes];
            int pa = Math.Abs(b - c), pb = Math.Abs(a - c), pc = Math.Abs(a + b - c - c);
            row[i] += (byte)(pa <= pb && pa <= pc ? a : pb <= pc ? b : c);
        }
    }

    /// <summary>
    /// The same for all channels of a pixel at once, up to where four bytes can no longer be read; returns how far it came.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static int PaethPixels(Span<byte> row, ReadOnlySpan<byte> above, int pixelBytes)
    {
        Vector128<short> left = default, corner = default;
        var at = 0;
        for (; at + sizeof(uint) <= row.Length; at += pixelBytes)
        {
            var up = Channels(above[at..]);
            var byLeft = Vector128.Abs(up - corner);
            var byUp = Vector128.Abs(left - corner);
            var byCorner = Vector128.Abs(left + up - corner - corner);
            var nearest = Vector128.ConditionalSelect(
                Vector128.LessThanOrEqual(byLeft, byUp) & Vector128.LessThanOrEqual(byLeft, byCorner),
                left,
                Vector128.ConditionalSelect(Vector128.LessThanOrEqual(byUp, byCorner), up, corner));
            left = (Channels(row[at..]) + nearest) & Vector128.Create((short)0xFF);
            corner = up;
            var pixel = Vector128.Narrow(left.AsUInt16(), left.AsUInt16()).AsUInt32().ToScalar();
            if (pixelBytes == sizeof(uint)) BinaryPrimitives.WriteUInt32LittleEndian(row[at..], pixel);
            else
            {
                BinaryPrimitives.WriteUInt16LittleEndian(row[at..], (ushort)pixel);
                row[at + 2] = (byte)(pixel >> 16);
            }
        }

        return at;
    }

    private static Vector128<short> Channels(ReadOnlySpan<byte> pixel) =>
        Vector128.WidenLower(Vector128.CreateScalar(BinaryPrimitives.ReadUInt32LittleEndian(pixel)).AsByte()).AsInt16();
}
