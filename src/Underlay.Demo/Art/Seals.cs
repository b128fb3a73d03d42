namespace Underlay.Demo.Art;

/// <summary>The outline of a seal.</summary>
internal enum SealForm
{
    Oval,
    Lozenge,
    Shield,
    Tablet,
}

/// <summary>Potters' seals: a stamped form with letters, on clear ground.</summary>
internal static class Seals
{
    public const int Height = 44;

    /// <summary>Paints a seal.</summary>
    /// <param name="width">Pixels across.</param>
    /// <param name="seed">Of the clay's grain.</param>
    /// <param name="form">Its outline.</param>
    /// <param name="text">One to five capital letters.</param>
    /// <param name="ground">The stamped field.</param>
    /// <param name="letters">The letters.</param>
    /// <param name="stroke">Half the width of a stroke, in letter heights.</param>
    public static Raster Paint(int width, int seed, SealForm form, string text, Tint ground, Tint letters, double stroke = 0.075)
    {
        var noise = new Noise(seed);
        double half = width / (double)Height;
        var (tallest, share) = form switch { SealForm.Tablet => (1.02, 1.72), SealForm.Lozenge => (0.66, 1), _ => (0.86, 1.36) };
        var size = Math.Min(tallest, share * half / Letters.Width(text));
        return Raster.PaintSmooth(width, Height, 4, (u, v) =>
        {
            double x = (u - 0.5) * 2 * half, y = (v - 0.5) * 2;
            var inside = Inside(form, x / half, y, half);
            if (inside <= 0) return new Tint(ground.R, ground.G, ground.B, 0);
            var rim = Noise.Step(0.03, 0.07, inside) - Noise.Step(0.13, 0.17, inside);
            var grain = 0.92 + (noise.Cloud(u, v, 8, 3) * 0.16);
            var colour = ground.Lit(grain * (1.06 - (y * 0.1)));
            colour = Tint.Mix(colour, letters.Lit(0.94), rim * 0.9);
            var distance = Letters.Distance(text, x / size, (y - 0.01) / size);
            return Tint.Mix(colour, letters, 1 - Noise.Step(stroke - 0.025, stroke + 0.025, distance));
        });
    }

    /// <summary>How deep a point lies inside the form; 0 and less outside. Half a height is 1.</summary>
    private static double Inside(SealForm form, double x, double y, double half) => form switch
    {
        SealForm.Oval => (1 - Math.Sqrt((x * x) + (y * y))) * 0.96,
        SealForm.Lozenge => (0.97 - Math.Abs(x) - (Math.Abs(y) * 0.95)) * 0.72,
        SealForm.Shield => Math.Min(Math.Min(0.96 - Math.Abs(x), 0.96 + y), 0.98 - (y > 0 ? Math.Sqrt((x * x * 0.72) + (y * y)) : 0)),
        _ => 0.96 - Math.Max(Math.Max((Math.Abs(x) * half) - half + 1, Math.Abs(y)), ((Math.Abs(x) * half) - half + 1 + Math.Abs(y)) * 0.62),
    };
}
