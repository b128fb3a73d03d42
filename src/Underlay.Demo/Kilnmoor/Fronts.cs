using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>Front pictures of packs, 320 x 200: a wall, a shelf, and what the pack is about.</summary>
internal static class Fronts
{
    public const int Width = 320;
    public const int Height = 200;

    /// <summary>A path of three grounds running to a low horizon.</summary>
    public static Raster Path(Raster near, Raster middle, Raster verge)
    {
        var noise = new Noise(77);
        return Raster.PaintSmooth(Width, Height, 2, (u, v) =>
        {
            const double horizon = 0.36;
            if (v < horizon)
            {
                var hill = 0.24 + (noise.Smooth(u, 0.1, 5, 1) * 0.09) + (noise.Smooth(u, 0.6, 14, 1, 3) * 0.02);
                var sky = Tint.Mix(Tint.Hex(0xC9D6D6), Tint.Hex(0xF1E7D2), v / horizon);
                var far = Tint.Mix(Tint.Hex(0x6F8088), Tint.Hex(0x8E9A8A), (v - 0.2) * 5);
                return v < hill ? Tint.Mix(sky, Tint.Hex(0xFFFFFF), noise.Cloud(u, v * 2, 4, 4) * 0.35) : far;
            }

            var depth = 0.22 / (v - horizon + 0.02);
            var across = (u - 0.5 - (0.12 * Math.Sin(depth * 1.3) * Math.Min(1, depth * 0.4))) * depth;
            var haze = Math.Clamp((depth - 1.2) / 6, 0, 0.75);
            var onPath = Math.Abs(across) < 0.17;
            var edge = Math.Abs(Math.Abs(across) - 0.17) < 0.025;
            var ground = onPath ? near : edge ? middle : verge;
            return Tint.Mix(ground.Sample(across * 1.4, Fraction(depth * 0.7)).WithAlpha(1), Tint.Hex(0x9CA79C), haze);
        });
    }

    /// <summary>Pots on a shelf before a plastered wall.</summary>
    public static Raster ShelfOf(Raster board, Tint wall, double grain, params ReadOnlySpan<Raster> pots)
    {
        var noise = new Noise(91);
        var front = Raster.PaintSmooth(Width, Height, 2, (u, v) =>
        {
            if (v > 0.8) return board.Sample(v * 0.6, u).Lit(v < 0.82 ? 1.25 : 0.75);
            var light = 1.08 - (Math.Pow(u - 0.3, 2) * 0.6) - (v * 0.18);
            return wall.Lit(light + ((noise.Cloud(u * 1.6, v, 6, 5) - 0.5) * 0.12));
        });
        var step = Width / pots.Length;
        for (var i = 0; i < pots.Length; i++)
            Lay(front, pots[i], (step * i) + ((step - pots[i].Width) / 2), (int)(Height * 0.815) - pots[i].Height);
        return grain <= 0
            ? front
            : front.Map((x, y, t) => t.Lit(1 + ((noise.At(x, y, 5) - 0.5) * grain)).Shift((noise.At(x, y, 6) - 0.5) * grain));
    }

    private static Tint Shift(this Tint tint, double by) => tint with { R = tint.R + by, B = tint.B - by };

    private static void Lay(Raster ground, Raster pot, int left, int top)
    {
        for (var y = 0; y < pot.Height; y++)
            for (var x = 0; x < pot.Width; x++)
            {
                int gx = left + x, gy = top + y;
                if (gx < 0 || gy < 0 || gx >= ground.Width || gy >= ground.Height) continue;
                var over = pot.Get(x, y);
                ground.Set(gx, gy, Tint.Mix(ground.Get(gx, gy), over.WithAlpha(1), over.A));
            }
    }

    private static double Fraction(double value) => value - Math.Floor(value);
}
