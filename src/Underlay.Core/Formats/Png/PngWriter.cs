using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Runtime.Intrinsics;
using System.Text;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Png;

/// <summary>Writes PNG files: full colour, with alpha where a pixel is not solid. Colours under clear alpha are kept.</summary>
/// <remarks>PNG specification; each row has the filter whose result has the least sum of absolute differences (section 12.8).</remarks>
public static class PngWriter
{
    private static Vector128<byte> ColoursFirst => Vector128.Create((byte)0, 1, 2, 4, 5, 6, 8, 9, 10, 12, 13, 14, 3, 7, 11, 15);

    /// <summary>Encodes a picture. The same pixels give the same bytes.</summary>
    public static byte[] Write(RgbaPicture picture)
    {
        var opaque = picture.IsOpaque;
        using var file = new MemoryStream();
        file.Write([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]);
        var header = new byte[13];
        BinaryPrimitives.WriteInt32BigEndian(header, picture.Size.Width);
        BinaryPrimitives.WriteInt32BigEndian(header.AsSpan(4), picture.Size.Height);
        header[8] = 8;
        header[9] = (byte)(opaque ? PngColour.Rgb : PngColour.Rgba);
        WriteChunk(file, "IHDR", header);
        WriteChunk(file, "IDAT", Deflate(Filter(picture, opaque ? 3 : 4)));
        WriteChunk(file, "IEND", []);
        return file.ToArray();
    }

    private static void WriteChunk(MemoryStream file, string type, ReadOnlySpan<byte> data)
    {
        var chunk = new byte[data.Length + 12];
        BinaryPrimitives.WriteInt32BigEndian(chunk, data.Length);
        Encoding.ASCII.GetBytes(type, chunk.AsSpan(4));
        data.CopyTo(chunk.AsSpan(8));
        BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(data.Length + 8), Crc32.HashToUInt32(chunk.AsSpan(4, data.Length + 4)));
        file.Write(chunk);
    }

    private static byte[] Deflate(byte[] rows)
    {
        using var packed = new MemoryStream();
        using (var zlib = new ZLibStream(packed, CompressionLevel.Optimal, leaveOpen: true)) zlib.Write(rows);
        return packed.ToArray();
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

    private static byte[] Filter(RgbaPicture picture, int channels)
    {
        var rowBytes = picture.Size.Width * channels;
        var rows = new byte[(rowBytes + 1) * picture.Size.Height];
        // A pixel of nothing stands before each row, so that every byte has a left neighbour.
        byte[] row = new byte[channels + rowBytes], above = new byte[channels + rowBytes], trial = new byte[rowBytes];
        for (var y = 0; y < picture.Size.Height; y++)
        {
            CopyRow(picture.Row(y), channels, row.AsSpan(channels));
            var to = rows.AsSpan(y * (rowBytes + 1), rowBytes + 1);
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

        return rows;
    }
}
