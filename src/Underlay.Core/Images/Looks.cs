namespace Underlay.Core.Images;

/// <summary>Measures how pictures look: their colours as people tell them apart, and what happens at edges.</summary>
public static class Looks
{
    private const byte Seen = 32;
    private const double Bleeds = 0.25;

    // An edge is looked at from so many columns before it to as many behind it.
    private const int Around = 6;
    private const double Unbroken = 0.07;

    // Oklab: what one tells apart at a glance.
    private const double Apart = 0.12;

    // So small a share of a picture is specks, not letters.
    private const int Specks = 100;

    /// <summary>The mean colour of what is not clear; null for a clear picture.</summary>
    public static Oklab? Mean(RgbaPicture picture)
    {
        double r = 0, g = 0, b = 0, a = 0;
        for (var i = 0; i < picture.Rgba.Length; i += 4)
        {
            var alpha = picture.Rgba[i + 3] / 255.0;
            r += picture.Rgba[i] * alpha;
            g += picture.Rgba[i + 1] * alpha;
            b += picture.Rgba[i + 2] * alpha;
            a += alpha;
        }

        return a < 1 ? null : Oklab.Of((byte)(r / a), (byte)(g / a), (byte)(b / a));
    }

    /// <summary>How far two pictures look apart, by their grids.</summary>
    public static double Distance(RgbaPicture one, RgbaPicture other) => LookGrid.Of(one).DistanceTo(LookGrid.Of(other));

    /// <summary>
    /// The share of clear pixels beside visible ones whose colour is another than those have. A host that scales or filters lets it
    /// bleed into the edge.
    /// </summary>
    public static double BleedShare(ReadOnlySpan<byte> rgba, PixelSize size)
    {
        var (width, height) = (size.Width, size.Height);
        int beside = 0, bleeding = 0;
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
            {
                if (rgba[(((y * width) + x) * 4) + 3] != 0 || NearestSolid(rgba, size, x, y) is not { } nearest) continue;
                beside++;
                if (nearest > Bleeds) bleeding++;
            }

        return beside == 0 ? 0 : (double)bleeding / beside;
    }

    /// <summary>
    /// The distance in colour to the most alike of the visible pixels around one, or the first that is near enough; null when there
    /// is none.
    /// </summary>
    private static double? NearestSolid(ReadOnlySpan<byte> rgba, PixelSize size, int x, int y)
    {
        var clear = rgba.Slice(((y * size.Width) + x) * 4, 4);
        double? nearest = null;
        for (var beside = Math.Max(0, y - 1); beside <= Math.Min(size.Height - 1, y + 1); beside++)
            for (var at = Math.Max(0, x - 1); at <= Math.Min(size.Width - 1, x + 1); at++)
            {
                var pixel = rgba.Slice(((beside * size.Width) + at) * 4, 4);
                if (pixel[3] <= Seen) continue;
                var distance = clear[..3].SequenceEqual(pixel[..3]) ? 0 : Plain(clear).DistanceTo(Plain(pixel));
                if (distance <= Bleeds) return distance;
                nearest = Math.Min(nearest ?? distance, distance);
            }

        return nearest;
    }

    /// <summary>
    /// The rows in which something crosses between two columns: from well before the edge to well behind it the picture goes on
    /// unbroken, in another colour than most of the edge.
    /// </summary>
    /// <param name="picture">The picture.</param>
    /// <param name="column">The first column behind the edge.</param>
    public static IReadOnlySet<int> CrossingRows(RgbaPicture picture, int column)
    {
        var rows = new HashSet<int>();
        if (column < 1 || column >= picture.Size.Width) return rows;
        var usual = Enumerable.Range(0, picture.Size.Height).Select(y => picture.At(column - 1, y).ToArray())
            .GroupBy(p => (p[0] >> 4, p[1] >> 4, p[2] >> 4, p[3] > Seen)).OrderByDescending(g => g.Count()).First().First();
        for (var y = 0; y < picture.Size.Height; y++)
        {
            if (!GoesOn(picture, column, y)) continue;
            if (usual[3] <= Seen || Plain(picture.At(column - 1, y)).DistanceTo(Plain(usual)) > Apart) rows.Add(y);
        }

        return rows;
    }

    /// <summary>True where two pixels of a row are of colours that one tells apart at a glance.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="y">The row.</param>
    /// <param name="one">The column of the one.</param>
    /// <param name="other">The column of the other.</param>
    public static bool Differ(RgbaPicture picture, int y, int one, int other) =>
        Plain(picture.At(one, y)).DistanceTo(Plain(picture.At(other, y))) > Apart;

    /// <summary>True when no two neighbours around an edge differ in a row: a frame or a field's own colour would break it.</summary>
    private static bool GoesOn(RgbaPicture picture, int column, int y)
    {
        var (from, to) = (Math.Max(1, column - Around + 1), Math.Min(picture.Size.Width - 1, column + Around - 1));
        for (var x = from; x <= to; x++)
        {
            ReadOnlySpan<byte> left = picture.At(x - 1, y), right = picture.At(x, y);
            if (left[3] <= Seen || right[3] <= Seen || (!left.SequenceEqual(right) && Plain(left).DistanceTo(Plain(right)) > Unbroken))
                return false;
        }

        return true;
    }

    /// <summary>
    /// How much detail lies where a mask is black, beside how much lies where it is white: contrast to the next pixel, by area.
    /// </summary>
    public static double DetailOutside(RgbaPicture picture, RgbaPicture mask)
    {
        var fitted = Resampler.Nearest(mask, picture.Size);
        double outside = 0, inside = 0;
        int outer = 0, inner = 0;
        for (var y = 1; y < picture.Size.Height; y++)
            for (var x = 1; x < picture.Size.Width; x++)
            {
                var here = Luma(picture.At(x, y));
                var detail = Math.Abs(here - Luma(picture.At(x - 1, y))) + Math.Abs(here - Luma(picture.At(x, y - 1)));
                if (fitted.At(x, y)[0] < 128) (outside, outer) = (outside + detail, outer + 1);
                else (inside, inner) = (inside + detail, inner + 1);
            }

        return outer == 0 || inner == 0 || inside == 0 ? 0 : outside / outer / (inside / inner);
    }

    /// <summary>The contrast of letters to their ground, and the width of their strokes in pixels.</summary>
    /// <remarks>Contrast ratio and relative luminance of WCAG 2.2; a stroke's width is twice its area by its outline's length.</remarks>
    public static Lettering Lettering(ReadOnlySpan<byte> rgba, PixelSize size)
    {
        var (width, height) = (size.Width, size.Height);
        var light = new double[width * height];
        var solid = new List<double>();
        for (var i = 0; i < light.Length; i++)
        {
            light[i] = rgba[(i * 4) + 3] < 128 ? double.NaN : Srgb.Luminance(rgba[i * 4], rgba[(i * 4) + 1], rgba[(i * 4) + 2]);
            if (!double.IsNaN(light[i])) solid.Add(light[i]);
        }

        if (solid.Count == 0) return new Lettering(1, 0);
        solid.Sort();
        double ground = solid[solid.Count / 2], low = solid[solid.Count / Specks], high = solid[^(1 + (solid.Count / Specks))];
        double Ratio(double a, double b) => (Math.Max(a, b) + 0.05) / (Math.Min(a, b) + 0.05);
        var letter = Ratio(ground, high) > Ratio(ground, low) ? high : low;
        // Letters are what is nearer to them than to the ground, away from the rim.
        bool IsLetter(int x, int y) =>
            x >= 0
                && y >= 0
                && x < width
                && y < height
                && light[(y * width) + x] is var l
                && !double.IsNaN(l)
                && Math.Abs(l - letter) < Math.Abs(l - ground);
        int area = 0, outline = 0;
        for (var y = height / 5; y < height * 4 / 5; y++)
            for (var x = width / 8; x < width * 7 / 8; x++)
            {
                if (!IsLetter(x, y)) continue;
                area++;
                if (!IsLetter(x - 1, y)) outline++;
                if (!IsLetter(x + 1, y)) outline++;
                if (!IsLetter(x, y - 1)) outline++;
                if (!IsLetter(x, y + 1)) outline++;
            }

        return new Lettering(Ratio(ground, letter), outline == 0 ? 0 : 2.0 * area / outline);
    }

    private static Oklab Plain(ReadOnlySpan<byte> pixel) => Oklab.Of(pixel[0], pixel[1], pixel[2]);

    private static double Luma(ReadOnlySpan<byte> pixel) => ((0.2126 * pixel[0]) + (0.7152 * pixel[1]) + (0.0722 * pixel[2])) / 255;
}
