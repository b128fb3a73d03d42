using CsCheck;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Images;

public class LooksTests
{
    private static Lettering Lettering(RgbaPicture picture) => Looks.Lettering(picture.Rgba, picture.Size);

    private static RgbaPicture Paint(int width, int height, Func<int, int, Pixel> at) =>
        new(new PixelSize(width, height), PngReader.Decode((Picture.Of(width, height) with { At = at }).ToPng()).Rgba!);

    private static readonly Pixel Grey = new(120, 120, 120, 255);

    [Fact]
    public void A_picture_is_no_way_from_itself_and_as_far_from_another_as_that_from_it() =>
        Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte).Sample((r, g, b) =>
        {
            var (one, other) = (
                Paint(20, 14, (x, y) => new Pixel(r, (byte)(x * 9), b, 255)),
                Paint(16, 16, (x, y) => new Pixel(g, b, (byte)(y * 9), 255)));
            Assert.Equal(0, Looks.Distance(one, one));
            Assert.Equal(Looks.Distance(one, other), Looks.Distance(other, one), 9);
        });

    [Fact]
    public void Black_is_far_from_white() =>
        Assert.InRange(
            Looks.Distance(Paint(8, 8, (_, _) => new Pixel(0, 0, 0, 255)), Paint(8, 8, (_, _) => new Pixel(255, 255, 255, 255))),
            0.95,
            1.05);

    [Fact]
    public void Only_rows_in_which_something_crosses_are_told()
    {
        var band = Paint(40, 30, (x, y) => y is 10 or 11 ? new Pixel(220, 30, 30, 255) : Grey);
        Assert.Equal([10, 11], Looks.CrossingRows(band, 20).Order());
        Assert.Empty(Looks.CrossingRows(Paint(40, 30, (_, _) => Grey), 20));
        // What ends at the edge does not cross it.
        Assert.Empty(Looks.CrossingRows(Paint(40, 30, (x, y) => y is 10 or 11 && x < 20 ? new Pixel(220, 30, 30, 255) : Grey), 20));
        // On clear ground whatever is seen on both sides does.
        Assert.Equal([4], Looks.CrossingRows(Paint(40, 30, (x, y) => y == 4 ? Grey : default), 20));
        Assert.Empty(Looks.CrossingRows(band, 0));
        Assert.Empty(Looks.CrossingRows(band, 40));
    }

    [Fact]
    public void Detail_is_weighed_by_where_it_lies()
    {
        var mask = Paint(40, 40, (x, _) => x < 20 ? new Pixel(255, 255, 255, 255) : new Pixel(0, 0, 0, 255));
        RgbaPicture Checks(Func<int, bool> where) =>
            Paint(
                40,
                40,
                (x, y) =>
                    where(x) && (x + y) % 2 == 0
                        ? new Pixel(255, 255, 255, 255)
                        : (x + y) % 17 == 0
                        ? new Pixel(130, 130, 130, 255)
                        : Grey);
        Assert.True(Looks.DetailOutside(Checks(x => x > 22), mask) > 5);
        Assert.True(Looks.DetailOutside(Checks(x => x < 18), mask) < 0.2);
        Assert.InRange(Looks.DetailOutside(Checks(_ => true), mask), 0.8, 1.25);
    }

    [Theory]
    [InlineData(6)]
    [InlineData(3)]
    [InlineData(1)]
    public void The_width_of_strokes_is_measured(int width)
    {
        var (contrast, stroke) = Lettering(
            Paint(120, 44, (x, y) => x % 16 < width ? new Pixel(255, 255, 255, 255) : new Pixel(20, 30, 40, 255)));
        Assert.InRange(contrast, 12, 18);
        Assert.InRange(stroke, width * 0.8, width * 1.25);
    }

    [Fact]
    public void Letters_in_nearly_the_colour_of_their_ground_have_little_contrast() =>
        Assert.InRange(
            Lettering(Paint(60, 44, (x, y) => x % 12 < 5 ? new Pixel(90, 90, 90, 255) : new Pixel(70, 70, 70, 255))).Contrast,
            1.1,
            1.6);
}
