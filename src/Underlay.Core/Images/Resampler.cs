using System.Buffers.Binary;

namespace Underlay.Core.Images;

/// <summary>Brings pictures to another size.</summary>
public static class Resampler
{
    /// <summary>
    /// Each new pixel is the mean of the area that it covers, colours weighted by alpha, so that clear pixels do not bleed
    /// into edges; where all of the area is clear, colours are averaged plainly and so kept.
    /// </summary>
    public static RgbaPicture ByArea(RgbaPicture picture, PixelSize size)
    {
        var columns = Cover.Of(picture.Size.Width, size.Width);
        var rows = Cover.Of(picture.Size.Height, size.Height);
        var sums = new AreaSums(picture);
        var result = RgbaPicture.Clear(size);
        for (var y = 0; y < size.Height; y++)
        {
            sums.Sum(rows[y]);
            for (var x = 0; x < size.Width; x++) BinaryPrimitives.WriteUInt32LittleEndian(result.At(x, y), sums.Mean(columns[x]));
        }

        return result;
    }

    /// <summary>Each new pixel is the old one at its middle: no colour that was not there before.</summary>
    public static RgbaPicture Nearest(RgbaPicture picture, PixelSize size)
    {
        var result = RgbaPicture.Clear(size);
        for (var y = 0; y < size.Height; y++)
            for (var x = 0; x < size.Width; x++)
                picture
                    .At(((2 * x) + 1) * picture.Size.Width / (2 * size.Width), ((2 * y) + 1) * picture.Size.Height / (2 * size.Height))
                    .CopyTo(result.At(x, y));
        return result;
    }
}
