using CsCheck;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Images;

public class DifferenceTests
{
    private static readonly Gen<RgbaPicture> Pictures =
        from width in Gen.Int[1, 9]
        from height in Gen.Int[1, 9]
        from rgba in Gen.Byte.Array[width * height * 4]
        select new RgbaPicture(new PixelSize(width, height), rgba);

    [Fact]
    public void A_picture_does_not_differ_from_itself() =>
        Pictures.Sample(picture =>
        {
            var (difference, share) = Difference.Of(picture, picture);
            Assert.Equal(0, share);
            Assert.All(difference.Rgba.Chunk(4), p => Assert.Equal([0, 0, 0, 255], p));
        });

    [Fact]
    public void The_order_of_the_two_does_not_matter_and_the_larger_sides_count() =>
        Gen.Select(Pictures, Pictures).Sample((one, other) =>
        {
            var (there, back) = (Difference.Of(one, other), Difference.Of(other, one));
            Assert.Equal(there.Picture.Rgba, back.Picture.Rgba);
            Assert.Equal(
                new PixelSize(Math.Max(one.Size.Width, other.Size.Width), Math.Max(one.Size.Height, other.Size.Height)),
                there.Picture.Size);
            Assert.InRange(there.Share, 0, 1);
        });

    [Fact]
    public void The_least_difference_is_seen_and_colours_below_clear_alpha_are_none()
    {
        var size = new PixelSize(2, 1);
        var (difference, share) = Difference.Of(
            new RgbaPicture(size, [10, 10, 10, 255, 200, 0, 0, 0]),
            new RgbaPicture(size, [10, 11, 10, 255, 0, 0, 99, 0]));
        Assert.Equal(0.5, share);
        Assert.True(difference.Rgba[0] >= 48);
        Assert.Equal(0, difference.Rgba[4]);
    }
}
