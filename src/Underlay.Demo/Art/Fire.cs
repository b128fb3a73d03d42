namespace Underlay.Demo.Art;

/// <summary>Kiln fire as a series of pictures that closes on itself, and the glow of hot things.</summary>
internal static class Fire
{
    /// <summary>One picture of a flame on clear ground.</summary>
    /// <param name="width">Pixels.</param>
    /// <param name="height">Pixels.</param>
    /// <param name="seed">Another seed, another fire.</param>
    /// <param name="phase">From 0 to 1 through the series.</param>
    /// <param name="heat">From the edge of the flame to its heart.</param>
    /// <param name="breadth">Half the width at the foot, of half the picture.</param>
    public static Raster Flame(int width, int height, int seed, double phase, Palette heat, double breadth)
    {
        var noise = new Noise(seed);
        double turn = phase * Math.Tau;
        return Raster.PaintSmooth(width, height, 3, (u, v) =>
        {
            var up = 1 - v;
            // Two fields of noise turned against each other come back to where they began.
            var lick = (noise.Smooth(u + (0.1 * Math.Cos(turn)), v + phase, 5, 4) * 0.6)
                + (noise.Smooth(u - (0.1 * Math.Sin(turn)), v + (2 * phase), 9, 7, 5) * 0.4);
            var sway = Math.Sin(turn + (up * 5)) * 0.16 * up;
            var x = Math.Abs(((u - 0.5) * 2) - sway);
            var edge = breadth * Math.Pow(Math.Max(0, 1 - (up * (0.86 + (0.1 * Math.Sin(turn * 2))))), 0.7) * (0.55 + (lick * 0.9));
            var depth = 1 - (x / Math.Max(0.02, edge));
            if (depth <= 0 || up < 0.03) return heat.Dark.WithAlpha(0);
            var hot = Math.Clamp((depth * 0.9) + ((0.5 - up) * 0.7) + ((lick - 0.5) * 0.5), 0, 1);
            return heat.At(hot).WithAlpha(Math.Clamp(depth * 3.2, 0, 1));
        });
    }

    /// <summary>The glow of a surface that repeats: embers between cold pieces.</summary>
    public static Raster Embers(int size, int seed, int cells, double amount)
    {
        var noise = new Noise(seed);
        return Raster.Paint(size, size, (u, v) =>
        {
            var (first, second, id) = noise.Cells(u, v, cells, cells, 0.9);
            var crack = 1 - Noise.Step(0.0, 0.22, second - first);
            var patch = Noise.Step(1 - amount, 1.2 - amount, noise.Cloud(u, v, 4, 3, 9));
            return Grey(Math.Clamp((crack * patch) + (id > 0.86 ? patch * 0.5 * (1 - first) : 0), 0, 1));
        });
    }

    /// <summary>The glow of a pot fresh from the kiln: strongest at the foot, in rings.</summary>
    public static Raster Glow(int width, int height, int seed)
    {
        var noise = new Noise(seed);
        return Raster.Paint(width, height, (u, v) =>
        {
            var ring = 0.5 + (0.5 * Math.Sin((v * 34) + (noise.Smooth(u, v, 8, 6) * 2)));
            return Grey(Math.Clamp(Math.Pow(v, 1.8) * (0.35 + (ring * 0.4) + (noise.Cloud(u, v, 10, 3, 3) * 0.4)), 0, 1));
        });
    }

    private static Tint Grey(double value) => new(value, value, value);
}
