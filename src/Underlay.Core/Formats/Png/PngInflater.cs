using System.Buffers;
using System.Buffers.Binary;
using System.IO.Compression;

namespace Underlay.Core.Formats.Png;

/// <summary>
/// Inflates a PNG's IDAT data into filtered rows: exactly as many bytes as the header asks, with the right Adler-32.
/// The zlib stream has to fill the IDAT data to its last byte (docs/hosts.md, "PNG").
/// </summary>
/// <remarks>RFC 1950, zlib; RFC 1951, deflate.</remarks>
internal static class PngInflater
{
    /// <summary>Fills the rows; returns the problem, if there is one.</summary>
    public static string? Inflate(IReadOnlyList<ReadOnlyMemory<byte>> data, Span<byte> rows)
    {
        var total = data.Sum(d => d.Length);
        if (total < 6) return "its pixel data is too short to be a zlib stream";
        byte[]? joined = null;
        try
        {
            var zlib = data[0];
            if (data.Count > 1)
            {
                joined = ArrayPool<byte>.Shared.Rent(total);
                var at = 0;
                foreach (var part in data)
                {
                    part.Span.CopyTo(joined.AsSpan(at));
                    at += part.Length;
                }

                zlib = joined.AsMemory(0, total);
            }

            return Inflate(zlib, rows);
        }
        finally
        {
            if (joined is not null) ArrayPool<byte>.Shared.Return(joined);
        }
    }

    private static string? Inflate(ReadOnlyMemory<byte> zlib, Span<byte> rows)
    {
        var head = zlib.Span;
        var sound = (head[0] & 0x0F) == 8 && head[0] >> 4 <= 7 && ((head[0] << 8) | head[1]) % 31 == 0 && (head[1] & 0x20) == 0;
        if (!sound) return "its pixel data does not begin as a zlib stream does";
        try
        {
            using var deflate = new DeflateStream(new ReadOnlyMemoryStream(zlib[2..^4]), CompressionMode.Decompress);
            var read = deflate.ReadAtLeast(rows, rows.Length, throwOnEndOfStream: false);
            if (read < rows.Length) return $"its pixel data ends after {read} of {rows.Length} bytes";
            if (deflate.ReadByte() >= 0) return "it holds more pixel data than its header asks for";
        }
        catch (InvalidDataException)
        {
            return "its pixel data cannot be inflated: the file was damaged";
        }

        return Adler32.Of(rows) == BinaryPrimitives.ReadUInt32BigEndian(zlib.Span[^4..])
            ? null
            : "its pixel data has a wrong Adler-32: the file was damaged";
    }
}
