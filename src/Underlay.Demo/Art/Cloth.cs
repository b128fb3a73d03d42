namespace Underlay.Demo.Art;

/// <summary>The time of day by which a thing is seen.</summary>
internal enum Daylight
{
    Dawn,
    Noon,
    Lamp,
}

/// <summary>Awnings of market stalls, boards that are lettered, and the light on them.</summary>
internal static class Cloth
{
    /// <summary>An awning seen from the front: stripes, folds and a scalloped edge before the dark of the stall.</summary>
    public static Raster Awning(int seed, Tint one, Tint other, int stripes, Daylight light, double emblem = 0)
    {
        var noise = new Noise(seed);
        return Raster.PaintSmooth(150, 60, 3, (u, v) =>
        {
            var stripe = (int)Math.Floor(u * stripes);
            var across = (u * stripes) - stripe;
            var hem = 0.74 + (0.16 * Math.Sqrt(Math.Max(0, 1 - Noise.Square((across - 0.5) * 2))));
            var dark = light == Daylight.Lamp
                ? Tint.Mix(Tint.Hex(0x2A1A12), Tint.Hex(0xE8A04C), Math.Exp(-Noise.Square((u - 0.5) / 0.22)) * (v - 0.6))
                : Tint.Hex(0x33302A).Lit(1.1 - (v * 0.4));
            if (v > hem) return Lit(dark.Lit(v - hem < 0.05 ? 0.6 : 1), u, v, light);
            var cloth = stripe % 2 == 0 ? one : other;
            var fold = 0.9 + (0.14 * Math.Sin((u * stripes * Math.PI * 2) + (noise.Smooth(u, v, 6, 3) * 1.6)));
            var slope = 1.12 - (v * 0.34);
            var weave = 0.97 + (noise.Cloud(u, v, 40, 2, 7) * 0.06);
            var shade = v > 0.66 && v < 0.7 ? 0.72 : v < 0.06 ? 0.7 : 1;
            if (emblem > 0 && Math.Abs(Math.Sqrt(Noise.Square((u - 0.5) * 2.5) + Noise.Square(v - 0.36)) - 0.17) < emblem)
                cloth = Tint.Mix(cloth, Tint.Hex(0xF4EAD2), 0.9);
            return Lit(cloth.Lit(fold * slope * weave * shade), u, v, light);
        });
    }

    /// <summary>A board for a name, with cut corners and nails on clear ground.</summary>
    public static Raster Board(int width, int seed, Palette wood, Tint frame, double corner)
    {
        var noise = new Noise(seed);
        const int height = 48;
        return Raster.PaintSmooth(width, height, 3, (u, v) =>
        {
            double x = Math.Min(u, 1 - u) * width, y = Math.Min(v, 1 - v) * height;
            var cut = corner * 12;
            var inside = Math.Min(
                Math.Min(x, y) - 1.5,
                x < cut && y < cut
                    ? (corner > 0.6 ? cut - Math.Sqrt(Noise.Square(cut - x) + Noise.Square(cut - y)) : ((x + y) - cut) * 0.7) - 0.8
                    : 9);
            if (inside < 0) return new Tint(frame.R, frame.G, frame.B, 0);
            var line = noise.Smooth(u * width / 90, v, 3, 14) + (noise.Smooth(u * width / 40, v, 9, 40, 3) * 0.4);
            var plank = wood.At(0.25 + (line * 0.5)).Lit(1.08 - (v * 0.2));
            if (Math.Abs(v - 0.5) < 0.012) plank = plank.Lit(0.62);
            if (inside < 3.4) return frame.Lit(inside < 1.2 ? 0.7 : 1.15 - (v * 0.3));
            if (inside < 4.6) return plank.Lit(0.7);
            var nail = Math.Sqrt(Noise.Square(x - 9) + Noise.Square(y - 9));
            return nail < 1.9 ? Tint.Hex(0x3B3733).Lit(nail < 0.9 ? 1.7 : 1) : plank;
        });
    }

    private static Tint Lit(Tint tint, double u, double v, Daylight light) => light switch
    {
        Daylight.Dawn => Tint.Mix(tint.Lit(0.8), Tint.Hex(0xF2B39A), 0.22 - (v * 0.08)).WithAlpha(1),
        Daylight.Lamp => Tint.Mix(tint.Lit(0.3), tint.Lit(1.1), Math.Exp(-Noise.Square((u - 0.5) / 0.3)) * (0.2 + (v * 0.8))).WithAlpha(1),
        _ => tint.Lit(1.04).WithAlpha(1),
    };
}
