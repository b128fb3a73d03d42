using CsCheck;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Images;

public class ResamplerTests
{
    private static readonly Gen<(RgbaPicture Picture, PixelSize Size)> AnyReducing =
        from width in Gen.Int[1, 20]
        from height in Gen.Int[1, 20]
        from to in Gen.Select(Gen.Int[1, 20], Gen.Int[1, 20])
        from bytes in Gen.Byte.Array[width * height * 4]
        select (new RgbaPicture(new PixelSize(width, height), bytes), new PixelSize(to.Item1, to.Item2));

    [Fact]
    public void Each_pixel_is_the_mean_of_what_it_covers_weighted_by_alpha() =>
        AnyReducing.Sample(sample =>
        {
            var (picture, size) = sample;
            var result = Resampler.ByArea(picture, size);
            for (var y = 0; y < size.Height; y++)
                for (var x = 0; x < size.Width; x++)
                {
                    var wanted = Mean(picture, size, x, y);
                    for (var channel = 0; channel < 4; channel++)
                        Assert.InRange(result.At(x, y)[channel], wanted[channel] - 0.5001, wanted[channel] + 0.5001);
                }
        });

    [Theory]
    [InlineData(255)]
    [InlineData(254)]
    public void The_mean_of_thousands_of_rows_is_as_right(byte leastAlpha)
    {
        var bytes = new byte[3 * 8192 * 4];
        for (var i = 0; i < bytes.Length; i++) bytes[i] = i % 4 == 3 ? (byte)Math.Max(leastAlpha, i % 256) : (byte)(i * 37 % 251);
        var picture = new RgbaPicture(new PixelSize(3, 8192), bytes);
        var wanted = Mean(picture, new PixelSize(1, 1), 0, 0);
        var mean = Resampler.ByArea(picture, new PixelSize(1, 1)).At(0, 0);
        for (var channel = 0; channel < 4; channel++) Assert.InRange(mean[channel], wanted[channel] - 0.6, wanted[channel] + 0.6);
    }

    /// <summary>The mean over every old pixel, however little of it the new one covers.</summary>
    private static double[] Mean(RgbaPicture picture, PixelSize size, int x, int y)
    {
        double[] weighted = new double[3], plain = new double[3];
        double alpha = 0, all = 0;
        for (var j = 0; j < picture.Size.Height; j++)
            for (var i = 0; i < picture.Size.Width; i++)
            {
                var covers = Covers(x, size.Width, i, picture.Size.Width) * Covers(y, size.Height, j, picture.Size.Height);
                var pixel = picture.At(i, j);
                all += covers;
                alpha += covers * pixel[3];
                for (var channel = 0; channel < 3; channel++)
                {
                    weighted[channel] += covers * pixel[3] * pixel[channel];
                    plain[channel] += covers * pixel[channel];
                }
            }

        return [.. alpha > 0 ? weighted.Select(w => w / alpha) : plain.Select(p => p / all), alpha / all];
    }

    /// <summary>How much of an old pixel lies in a new one, along a side that is as long as both numbers of pixels multiplied.</summary>
    private static int Covers(int to, int toAll, int from, int fromAll) =>
        Math.Max(0, Math.Min((to + 1) * fromAll, (from + 1) * toAll) - Math.Max(to * fromAll, from * toAll));
}
