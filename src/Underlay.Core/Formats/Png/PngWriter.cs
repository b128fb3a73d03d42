using System.Buffers;
using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Runtime.Intrinsics;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Png;

/// <summary>Writes PNG files: full colour, with alpha where a pixel is not solid. Colours under clear alpha are kept.</summary>
/// <remarks>PNG specification; each row has the filter whose result has the least sum of absolute differences (section 12.8).</remarks>
public static class PngWriter
{
    // Length, type and CRC.
    private const int ChunkBytes = 12;

    private static Vector128<byte> ColoursFirst => Vector128.Create((byte)0, 1, 2, 4, 5, 6, 8, 9, 10, 12, 13, 14, 3, 7, 11, 15);

    private static ReadOnlySpan<byte> Signature => [0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A];

    /// <summary>Encodes a picture. The same pixels give the same bytes.</summary>
    public static byte[] Write(RgbaPicture picture)
    {
        var channels = picture.IsOpaque ? 3 : 4;
        var length = ((picture.Size.Width * channels) + 1) * picture.Size.Height;
        // What is needed meanwhile only is lent: of thousands of pictures, it would be gigabytes to collect.
        var rows = ArrayPool<byte>.Shared.Rent(length);
        var packed = ArrayPool<byte>.Shared.Rent(MostPacked(length));
        try
        {
            Filter(picture, channels, rows.AsSpan(0, length));
            return FileOf(picture.Size, channels, packed.AsSpan(0, Deflate(rows.AsSpan(0, length), packed)));
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(rows);
            ArrayPool<byte>.Shared.Return(packed);
        }
    }

    /// <summary>Room enough for bytes that cannot be made smaller: deflate adds an eighth at most, and its own few.</summary>
    private static int MostPacked(int length) => length + (length / 8) + 1024;

    private static byte[] FileOf(PixelSize size, int channels, ReadOnlySpan<byte> data)
    {
        Span<byte> header = stackalloc byte[13];
        BinaryPrimitives.WriteInt32BigEndian(header, size.Width);
        BinaryPrimitives.WriteInt32BigEndian(header[4..], size.Height);
        (header[8], header[9]) = (8, (byte)(channels == 3 ? PngColour.Rgb : PngColour.Rgba));
        header[10..].Clear();
        var file = new byte[Signature.Length + (3 * ChunkBytes) + header.Length + data.Length];
        Signature.CopyTo(file);
        var rest = WriteChunk(file.AsSpan(Signature.Length), "IHDR"u8, header);
        rest = WriteChunk(rest, "IDAT"u8, data);
        WriteChunk(rest, "IEND"u8, []);
        return file;
    }

    /// <summary>Writes a chunk, and gives what is behind it.</summary>
    private static Span<byte> WriteChunk(Span<byte> to, ReadOnlySpan<byte> type, ReadOnlySpan<byte> data)
    {
        BinaryPrimitives.WriteInt32BigEndian(to, data.Length);
        type.CopyTo(to[4..]);
        data.CopyTo(to[8..]);
        BinaryPrimitives.WriteUInt32BigEndian(to[(data.Length + 8)..], Crc32.HashToUInt32(to.Slice(4, data.Length + 4)));
        return to[(data.Length + ChunkBytes)..];
    }

    /// <returns>How many bytes it came to.</returns>
    private static int Deflate(ReadOnlySpan<byte> rows, byte[] to)
    {
        using var packed = new MemoryStream(to);
        using (var zlib = new ZLibStream(packed, CompressionLevel.Optimal, leaveOpen: true)) zlib.Write(rows);
        return (int)packed.Position;
    }

    private static void CopyRow(ReadOnlySpan<byte> rgba, int channels, Span<byte> to)
    {
        if (channels == 4)
        {
            rgba.CopyTo(to);
            return;
        }

        int from = 0, at = 0;
        // Four pixels at a time; the four bytes too many are overwritten by the next ones.
        for (; at <= to.Length - Vector128<byte>.Count; from += 16, at += 12)
            Vector128.Shuffle(Vector128.Create(rgba.Slice(from, Vector128<byte>.Count)), ColoursFirst).CopyTo(to[at..]);
        for (; from < rgba.Length; from += 4, at += 3)
            (to[at], to[at + 1], to[at + 2]) = (rgba[from], rgba[from + 1], rgba[from + 2]);
    }

    private static void Filter(RgbaPicture picture, int channels, Span<byte> rows)
    {
        var rowBytes = picture.Size.Width * channels;
        // A pixel of nothing stands before each row, so that every byte has a left neighbour.
        byte[] row = new byte[channels + rowBytes], above = new byte[channels + rowBytes], trial = new byte[rowBytes];
        for (var y = 0; y < picture.Size.Height; y++)
        {
            CopyRow(picture.Row(y), channels, row.AsSpan(channels));
            var to = rows.Slice(y * (rowBytes + 1), rowBytes + 1);
            var least = long.MaxValue;
            for (byte filter = 0; filter < PngFilterTrials.Filters; filter++)
            {
                PngFilterTrials.Apply(filter, row, above, channels, trial);
                var sum = PngFilterTrials.SumOf(trial);
                if (sum >= least) continue;
                least = sum;
                to[0] = filter;
                trial.CopyTo(to[1..]);
            }

            (row, above) = (above, row);
        }
    }
}
