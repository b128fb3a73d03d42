using CsCheck;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Images;

/// <summary>DDS as result and as source: blocks of 4 x 4 pixels lose shades, and nothing else.</summary>
public class DdsTests
{
    private static RgbaPicture Paint(int width, int height, Func<int, int, Pixel> at)
    {
        var picture = RgbaPicture.Clear(new PixelSize(width, height));
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
            {
                var pixel = at(x, y);
                var p = picture.At(x, y);
                (p[0], p[1], p[2], p[3]) = (pixel.R, pixel.G, pixel.B, pixel.A);
            }

        return picture;
    }

    private static RgbaPicture Again(RgbaPicture picture)
    {
        var (read, problem) = SourceReader.Read(DdsWriter.Write(picture));
        Assert.Null(problem);
        return read!;
    }

    private static readonly Gen<PixelSize> Sizes = Gen.Select(Gen.Int[1, 8], Gen.Int[1, 8]).Select((w, h) => new PixelSize(w * 16, h * 16));

    [Fact]
    public void A_picture_that_was_written_is_accepted_and_has_its_size() =>
        Gen.Select(Sizes, Gen.Bool).Sample(
            (size, solid) =>
            {
                var dds = DdsWriter.Write(
                    Paint(size.Width, size.Height, (x, y) => new Pixel((byte)x, (byte)y, 60, solid ? (byte)255 : (byte)(x * 7))));
                var facts = DdsReader.Inspect(dds, PixelNeed.Alpha);
                Assert.True(facts.IsReadable, facts.Problem);
                Assert.Equal(size, facts.Header!.Size);
                Assert.Equal(solid ? AlphaUse.Solid : AlphaUse.Soft, facts.Pixels!.Alpha);
                // BC1 has half a byte a pixel, BC3 a whole one.
                Assert.Equal(128 + (size.Width * size.Height / (solid ? 2 : 1)), dds.Length);
            },
            iter: 60);

    [Fact]
    public void Plain_colours_come_back_as_near_as_five_bits_hold_them() =>
        Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte).Sample(
            (r, g, b) =>
            {
                var pixel = Again(Paint(16, 16, (_, _) => new Pixel(r, g, b, 255))).At(7, 7);
                Assert.InRange(pixel[0], r - 8, r + 8);
                Assert.InRange(pixel[1], g - 8, g + 8);
                Assert.InRange(pixel[2], b - 8, b + 8);
                Assert.Equal(255, pixel[3]);
            },
            iter: 60);

    [Fact]
    public void Clear_and_solid_stay_clear_and_solid()
    {
        var again = Again(Paint(32, 16, (x, _) => new Pixel(200, 100, 50, x < 16 ? (byte)255 : (byte)0)));
        for (var y = 0; y < 16; y++)
            for (var x = 0; x < 32; x++) Assert.Equal(x < 16 ? 255 : 0, again.At(x, y)[3]);
    }

    public static TheoryData<string, byte[]> Broken => new()
    {
        { "it is no DDS file", [.. "DDX "u8, .. new byte[200]] },
        { "in the middle of its header", Dds.Of(16, 16)[..100] },
        { "wrong length", With(Dds.Of(16, 16), 4, 100) },
        { "wrong length", With(Dds.Of(16, 16), 76, 24) },
        { "its sides are 0 x 16", With(Dds.Of(16, 16), 16, 0) },
        { "its sides are 5000 x 16", With(Dds.Of(16, 16), 16, 5000) },
        { "5 mip levels", Dds.Of(16, 16, mips: 5) },
        { "a cube map or a volume", With(Dds.Of(16, 16), 112, 0x200) },
        { "not compressed as BC1 or BC3", Dds.Of(16, 16, "DXT3") },
        { "not compressed as BC1 or BC3", With(Dds.Of(16, 16), 80, 0x40) },
        { "in the middle of its pixels", Dds.Of(16, 16, more: -1) },
    };

    [Theory]
    [MemberData(nameof(Broken))]
    public void What_hosts_do_not_read_is_told(string says, byte[] file) =>
        Assert.Contains(says, DdsReader.Inspect(file, PixelNeed.None).Problem, StringComparison.Ordinal);

    [Fact]
    public void Any_bytes_behind_a_header_are_read_or_refused() =>
        Gen.Select(Gen.Int[0, 127], Gen.Byte, Gen.Int[-20, 20]).Sample((at, value, more) =>
        {
            var file = Dds.Of(32, 32, more: more);
            file[at] = value;
            var facts = DdsReader.Inspect(file, PixelNeed.Alpha);
            Assert.Equal(facts.Problem is null, facts.IsReadable);
        });

    private static byte[] With(byte[] file, int at, int value)
    {
        System.Buffers.Binary.BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(at), value);
        return file;
    }
}
