namespace Underlay.Demo.Art;

/// <summary>The outline of a turned pot: heights from 0 (foot) to 1 (rim) with radii, in half picture widths.</summary>
/// <param name="Name">The shape's name.</param>
/// <param name="Outline">Height and radius, from the foot up.</param>
/// <param name="Tall">Height of the pot in a picture whose height is 1.</param>
/// <param name="Handle">Middle, height and reach of a handle, or null.</param>
/// <param name="Spout">Whether the rim has a lip for pouring.</param>
/// <param name="Knob">Whether a lid with a knob lies on it.</param>
internal sealed record PotShape(
    string Name,
    (double Height, double Radius)[] Outline,
    double Tall,
    (double Middle, double Height, double Reach)? Handle = null,
    bool Spout = false,
    bool Knob = false)
{
    public double RadiusAt(double height)
    {
        for (var i = 1; i < Outline.Length; i++)
        {
            var (h0, r0) = Outline[i - 1];
            var (h1, r1) = Outline[i];
            if (height > h1) continue;
            var t = Noise.Step(0, 1, (height - h0) / (h1 - h0));
            return Noise.Mix(r0, r1, t);
        }

        return Outline[^1].Radius;
    }
}

/// <summary>A glaze as the potter sees it.</summary>
/// <param name="Body">Colour on the body.</param>
/// <param name="Rim">Colour poured from the rim.</param>
/// <param name="Crackle">0 for none, 1 for a dense net.</param>
/// <param name="Drips">How far it runs down, 0 to 1.</param>
internal sealed record GlazeLook(Tint Body, Tint Rim, double Crackle, double Drips);

/// <summary>Turned pots: the skin that wraps them, the mask that says where glaze lies, and the picture on the shelf.</summary>
internal static class Pots
{
    /// <summary>The raw clay, wrapped once around: throwing rings, speckle and a band of slip.</summary>
    public static Raster Skin(int width, int height, int seed, Palette clay, Tint slip)
    {
        var noise = new Noise(seed);
        return Raster.Paint(width, height, (u, v) =>
        {
            var ring = 0.5 + (0.5 * Math.Sin((v * 46) + (noise.Smooth(u, v, 6, 10) * 3)));
            var grain = noise.Cloud(u, v, 16, 3, 5);
            var colour = clay.At((grain * 0.6) + (ring * 0.25)).Lit(0.92 + (ring * 0.12));
            var (first, _, id) = noise.Cells(u, v, width / 5, height / 5, 1, 33);
            if (id > 0.8 && first < 0.3) colour = colour.Lit(0.62);
            var wave = 0.44 + (0.035 * Math.Sin(u * Math.Tau * 8));
            if (Math.Abs(v - wave) < 0.018 || Math.Abs(v - 0.53) < 0.01 || Math.Abs(v - 0.35) < 0.01) colour = Tint.Mix(colour, slip, 0.85);
            return colour;
        });
    }

    /// <summary>Where glaze lies: body in blue, rim in red, bare clay in black.</summary>
    public static Raster Mask(int width, int height, int seed, double drips) =>
        Raster.Paint(width, height, (u, v) =>
        {
            var (body, rim) = Coat(u, v, seed, drips);
            return rim > 0.5 ? new Tint(1, 0, 0) : body > 0.5 ? new Tint(0, 0, 1) : new Tint(0, 0, 0);
        });

    /// <summary>The pot as it stands on a shelf, lit from the left, on clear ground.</summary>
    public static Raster Shelf(int width, int height, int seed, PotShape shape, Raster skin, GlazeLook glaze, double margin = 0.06) =>
        Raster.PaintSmooth(
            width,
            height,
            4,
            (u, v) =>
                Pixel(
                    (u - 0.5) * 2 / (1 - margin) * (width / (double)height),
                    (1 - ((v - (margin / 2)) / (1 - margin))) / shape.Tall,
                    seed,
                    shape,
                    skin,
                    glaze));

    private static Tint Pixel(double x, double h, int seed, PotShape shape, Raster skin, GlazeLook glaze)
    {
        if (h < 0 || h > 1.3) return default(Tint) with { A = 0 };
        if (shape.Knob && h > 1 && Knob(x, h) is { } knob) return knob;
        if (h <= 1)
        {
            var radius = shape.RadiusAt(h);
            if (shape.Spout && h > 0.86 && x < 0) radius += (h - 0.86) * 0.75;
            if (Math.Abs(x) <= radius) return Wall(x / radius, h, seed, shape, skin, glaze);
        }

        return shape.Handle is { } handle && Handle(x, h, shape, handle) is { } tint
            ? Shade(Tint.Mix(skin.Sample(0.3, 0.4), glaze.Body, 0.8), tint.Across, tint.Turn)
            : default(Tint) with { A = 0 };

        Tint? Knob(double kx, double kh)
        {
            var top = shape.RadiusAt(1);
            var lid = kh < 1.07
                ? top * 1.04
                : kh < 1.12
                ? 0.1
                : kh < 1.24
                ? 0.14 * Math.Sqrt(Math.Max(0, 1 - Noise.Square((kh - 1.18) / 0.065)))
                : 0;
            return Math.Abs(kx) < lid ? Shade(glaze.Rim, kx / lid, 0.2) : null;
        }
    }

    private static Tint Wall(double across, double h, int seed, PotShape shape, Raster skin, GlazeLook glaze)
    {
        var u = 0.5 + (Math.Asin(across) / Math.Tau);
        var v = 1 - h;
        var (body, rim) = Coat(u, v, seed, glaze.Drips);
        var noise = new Noise(seed + 900);
        var colour = skin.Sample(u, v);
        if (rim > 0 || body > 0)
        {
            var glassy = Tint.Mix(Tint.Mix(colour, glaze.Body, body * 0.92), glaze.Rim, rim);
            glassy = glassy.Lit(0.9 + (noise.Cloud(u, v, 6, 3, 4) * 0.22));
            if (glaze.Crackle > 0)
            {
                var bend = (noise.Cloud(u, v, 8, 2, 8) - 0.5) * 0.06;
                var (first, second, _) = noise.Cells(u + bend, v - bend, 16, 9, 1, 12);
                var line = 1 - Noise.Step(0.0, 0.09, second - first);
                glassy = Tint.Mix(glassy, glassy.Lit(0.5), line * glaze.Crackle);
            }

            colour = glassy;
        }

        var slope = (shape.RadiusAt(Math.Min(1, h + 0.02)) - shape.RadiusAt(Math.Max(0, h - 0.02))) / 0.04;
        var lip = h > 0.972 ? 0.18 : 0;
        return Shade(colour, across, (-slope * 0.16) + lip, glossy: Math.Max(body, rim));
    }

    /// <summary>Light from the upper left, a soft shine on glaze, and the far side sinking into shadow.</summary>
    private static Tint Shade(Tint colour, double across, double turn, double glossy = 0.6)
    {
        var facing = Math.Sqrt(Math.Max(0, 1 - (across * across)));
        var light = 0.42 + (0.62 * Math.Max(0, (-across * 0.55) + (facing * 0.75))) + turn;
        var lit = colour.Lit(Math.Clamp(light, 0.22, 1.35));
        var shine = glossy * (Math.Exp(-Noise.Square((across + 0.42) / 0.13)) * 0.5);
        return Tint.Mix(lit, Tint.Hex(0xFFFDF5), Math.Clamp(shine * (0.75 + turn), 0, 0.7)).WithAlpha(1);
    }

    private static (double Across, double Turn)? Handle(
        double x,
        double h,
        PotShape shape,
        (double Middle, double Height, double Reach) handle)
    {
        var root = shape.RadiusAt(handle.Middle) * 0.86;
        double dx = (x - root) / handle.Reach, dy = (h - handle.Middle) / handle.Height;
        var ring = Math.Sqrt((dx * dx) + (dy * dy));
        return dx < 0 || ring is < 0.68 or > 1 ? null : ((ring - 0.84) / 0.17, dy * 0.25);
    }

    /// <summary>How much glaze lies at a point of the skin: it is poured from the rim and runs down in drips.</summary>
    private static (double Body, double Rim) Coat(double u, double v, int seed, double drips)
    {
        var noise = new Noise(seed);
        var run = noise.Smooth(u, 0.5, 11, 1, 2);
        var fall = 0.12 + (drips * ((Math.Pow(run, 2.2) * 0.42) + (noise.Smooth(u, 0.2, 23, 1, 6) * 0.06)));
        var bodyEnd = 0.86 + ((noise.Smooth(u, 0.7, 9, 1, 9) - 0.5) * 0.06);
        return (v < bodyEnd ? 1 : 0, v < fall ? 1 : 0);
    }
}
