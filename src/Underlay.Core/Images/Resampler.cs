using System.Runtime.Intrinsics;

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
        var columns = Cover(picture.Size.Width, size.Width);
        var rows = Cover(picture.Size.Height, size.Height);
        var result = RgbaPicture.Clear(size);
        for (var y = 0; y < size.Height; y++)
            for (var x = 0; x < size.Width; x++) Mix(picture, columns[x], rows[y], result.At(x, y));
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

    /// <summary>For each new pixel, the first old one that it covers and how much of each from there on.</summary>
    private static (int First, double[] Weights)[] Cover(int from, int to)
    {
        var cover = new (int, double[])[to];
        var scale = (double)from / to;
        for (var i = 0; i < to; i++)
        {
            // Exact where the scale is whole, so that whole factors lose nothing.
            double begin = (double)i * from / to, end = (double)(i + 1) * from / to;
            var first = (int)Math.Floor(begin);
            var last = Math.Min(from - 1, (int)Math.Ceiling(end) - 1);
            var weights = new double[last - first + 1];
            for (var s = first; s <= last; s++) weights[s - first] = (Math.Min(end, s + 1) - Math.Max(begin, s)) / scale;
            cover[i] = (first, weights);
        }

        return cover;
    }

    private static void Mix(RgbaPicture picture, (int First, double[] Weights) columns, (int First, double[] Weights) rows, Span<byte> to)
    {
        // Red, green, blue and one: weighted by alpha, of which the last is the sum, and plain.
        Vector256<double> solid = default, plain = default;
        for (var j = 0; j < rows.Weights.Length; j++)
        {
            var row = picture.Row(rows.First + j).Slice(columns.First * 4, columns.Weights.Length * 4);
            for (var i = 0; i < columns.Weights.Length; i++)
            {
                var pixel = row.Slice(i * 4, 4);
                var weight = columns.Weights[i] * rows.Weights[j];
                var colour = Vector256.Create(pixel[0], pixel[1], pixel[2], 1.0);
                solid += Vector256.Create(weight * pixel[3]) * colour;
                plain += Vector256.Create(weight) * colour;
            }
        }

        var alpha = solid[3];
        var mean = alpha > 0 ? solid / Vector256.Create(alpha) : plain;
        for (var channel = 0; channel < 3; channel++) to[channel] = Round(mean[channel]);
        to[3] = Round(alpha);
    }

    private static byte Round(double value) => (byte)Math.Clamp(Math.Floor(value + 0.5), 0, 255);
}
