using System.Buffers.Binary;
using System.IO.Compression;
using CsCheck;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Formats;

public class PngWriterTests
{
    // Rows longer and shorter than what is worked out at once; some without alpha.
    private static readonly Gen<RgbaPicture> Pictures =
        from width in Gen.Int[1, 45]
        from height in Gen.Int[1, 5]
        from solid in Gen.Bool
        from bytes in Gen.Byte.Array[width * height * 4]
        select new RgbaPicture(new PixelSize(width, height), [.. bytes.Select((b, i) => solid && i % 4 == 3 ? (byte)255 : b)]);

    [Fact]
    public void Each_row_has_the_first_filter_of_those_that_leave_least() =>
        Pictures.Sample(picture =>
        {
            var channels = picture.IsOpaque ? 3 : 4;
            var rowBytes = picture.Size.Width * channels;
            var written = Inflate(PngWriter.Write(picture));
            for (var y = 0; y < picture.Size.Height; y++)
            {
                var row = written.AsSpan(y * (rowBytes + 1), rowBytes + 1);
                var left = Enumerable.Range(0, 5).Select(filter => Filtered(picture, y, filter, channels)).ToList();
                var sums = left.Select(bytes => bytes.Sum(b => Math.Abs((int)(sbyte)b))).ToList();
                Assert.Equal(sums.IndexOf(sums.Min()), row[0]);
                Assert.Equal(left[row[0]], row[1..].ToArray());
            }
        });

    /// <summary>A row as a filter leaves it, byte by byte as section 9.2 of the specification says.</summary>
    private static byte[] Filtered(RgbaPicture picture, int y, int filter, int channels)
    {
        int At(int column, int row, int channel) => column < 0 || row < 0 ? 0 : picture.At(column, row)[channel];
        return
        [
            .. from x in Enumerable.Range(0, picture.Size.Width)
               from channel in Enumerable.Range(0, channels)
               let left = At(x - 1, y, channel)
               let up = At(x, y - 1, channel)
               let corner = At(x - 1, y - 1, channel)
               let guess = filter switch
               {
                   1 => left,
                   2 => up,
                   3 => (left + up) / 2,
                   4 => new[] { left, up, corner }.MinBy(n => Math.Abs(left + up - corner - n)),
                   _ => 0,
               }
               select (byte)(At(x, y, channel) - guess),
        ];
    }

    private static byte[] Inflate(byte[] png)
    {
        // Behind the signature and the header chunk.
        const int data = 8 + 25;
        var length = BinaryPrimitives.ReadInt32BigEndian(png.AsSpan(data));
        using var zlib = new ZLibStream(new MemoryStream(png, data + 8, length), CompressionMode.Decompress);
        using var rows = new MemoryStream();
        zlib.CopyTo(rows);
        return rows.ToArray();
    }
}
