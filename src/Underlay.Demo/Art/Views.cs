namespace Underlay.Demo.Art;

/// <summary>What a market looks out on: heaven, hills, houses, and the light of the day.</summary>
/// <param name="Seed">Another seed, other hills.</param>
/// <param name="High">The sky above.</param>
/// <param name="Low">The sky at the horizon.</param>
/// <param name="Far">The far hills.</param>
/// <param name="Near">The near ground.</param>
/// <param name="Houses">How many houses stand there.</param>
/// <param name="Water">Whether the near ground is water.</param>
internal sealed record Outlook(int Seed, Tint High, Tint Low, Tint Far, Tint Near, int Houses, bool Water = false);

/// <summary>Scenes of markets, and friezes of seven fields.</summary>
internal static class Views
{
    public static int[] FriezeFields { get; } = [96, 210, 132, 314, 132, 210, 96];

    /// <summary>A market place before its hills; what matters stands in the middle.</summary>
    public static Raster Scene(int width, int height, Outlook view) =>
        Raster.PaintSmooth(width, height, 2, (u, v) => Place(view, u, v, width / (double)height, 1));

    /// <summary>Seven framed fields of one season; nothing crosses from one to the next.</summary>
    public static Raster Frieze(Outlook season, Tint frame, Tint leaf)
    {
        var noise = new Noise(season.Seed);
        var raster = new Raster(FriezeFields.Sum(), 150);
        var left = 0;
        for (var field = 0; field < FriezeFields.Length; field++)
        {
            var width = FriezeFields[field];
            var panel = Raster.PaintSmooth(width, 150, 2, (u, v) => Panel(season, frame, leaf, noise, field, u, v, width));
            for (var y = 0; y < 150; y++)
                for (var x = 0; x < width; x++) raster.Set(left + x, y, panel.Get(x, y));
            left += width;
        }

        return raster;
    }

    /// <summary>A ware on a market table, three in a row.</summary>
    public static Raster Stall(Raster pot, int seed, Tint cloth, Tint wall)
    {
        var noise = new Noise(seed);
        var ground = Raster.PaintSmooth(96, 72, 2, (u, v) =>
        {
            if (v > 0.76)
                return cloth.Lit(1.1 - ((v - 0.76) * 1.5) + ((noise.Smooth(u, v, 14, 4) - 0.5) * 0.2) + (Math.Sin(u * 50) * 0.05));
            return wall.Lit(1.05 - (Noise.Square(u - 0.35) * 0.7) - (v * 0.3) + ((noise.Cloud(u, v, 8, 3, 5) - 0.5) * 0.14));
        });
        foreach (var (x, y, lit) in new[] { (2, 14, 0.72), (50, 14, 0.72), (24, 22, 1.0) }) Lay(ground, pot, x, y, lit);
        return ground;
    }

    private static void Lay(Raster ground, Raster pot, int left, int top, double lit)
    {
        for (var y = 0; y < pot.Height; y++)
            for (var x = 0; x < pot.Width; x++)
            {
                int gx = left + x, gy = top + y;
                if (gx < 0 || gy < 0 || gx >= ground.Width || gy >= ground.Height) continue;
                var over = pot.Get(x, y);
                ground.Set(gx, gy, Tint.Mix(ground.Get(gx, gy), over.Lit(lit).WithAlpha(1), over.A));
            }
    }

    private static Tint Panel(Outlook season, Tint frame, Tint leaf, Noise noise, int field, double u, double v, int width)
    {
        double x = Math.Min(u, 1 - u) * width, y = Math.Min(v, 1 - v) * 150;
        var inside = Math.Min(x, y);
        if (inside < 3) return frame.Lit(0.5);
        if (inside < 9) return frame.Lit(0.85 + (noise.Cloud(u * width / 80, v, 8, 2, field) * 0.3));
        if (inside < 11) return frame.Lit(0.6);
        if (field is 0 or 6) return Pot(frame, leaf, u, v) ?? season.Low.Lit(0.92 - (v * 0.2));
        if (field is 2 or 4) return Branch(noise, leaf, field, u, v, width) ?? season.Low.Lit(1 - (v * 0.15));
        return Place(season with { Seed = season.Seed + field }, u, v, width / 150.0, field == 3 ? 1 : 0.6);
    }

    private static Tint? Pot(Tint body, Tint rim, double u, double v)
    {
        double h = (0.86 - v) / 0.6, x = Math.Abs(u - 0.5) * 2;
        if (h is < 0 or > 1) return null;
        var radius = 0.26 + (0.3 * Math.Sin(Math.Min(1, h * 1.15) * Math.PI)) + (h > 0.9 ? 0.08 : 0);
        if (x > radius) return null;
        var light = 1.1 - (((u - 0.38) / radius) * ((u - 0.38) / radius) * 0.5);
        return (h > 0.62 ? rim : Math.Abs(h - 0.4) < 0.05 ? rim.Lit(0.7) : body).Lit(light);
    }

    private static Tint? Branch(Noise noise, Tint leaf, int field, double u, double v, int width)
    {
        double x = u * width / 150, y = 1 - v;
        var stem = (width / 300.0) + (0.06 * Math.Sin((y * 5) + field));
        if (Math.Abs(x - stem) < 0.012 * (1.6 - y) && y < 0.88) return Tint.Hex(0x4A3826);
        for (var i = 0; i < 9; i++)
        {
            double at = 0.14 + (i * 0.085), side = i % 2 == 0 ? 1 : -1;
            double cx = (width / 300.0) + (0.06 * Math.Sin((at * 5) + field)) + (side * 0.13), cy = at + 0.05;
            double dx = (x - cx) * side, dy = y - cy;
            double along = (dx * 0.86) + (dy * 0.5), off = (-dx * 0.5) + (dy * 0.86);
            var half = 0.05 * (1 - Noise.Square(along / 0.12));
            if (Math.Abs(off) < half) return leaf.Lit(0.75 + (noise.At(i, field) * 0.5) - (Math.Abs(off) < 0.006 ? 0.25 : 0));
        }

        return null;
    }

    private static Tint Place(Outlook view, double u, double v, double shape, double detail)
    {
        var noise = new Noise(view.Seed);
        var x = (u - 0.5) * shape;
        var ridge = 0.5 - (noise.Smooth(u, 0.3, 4, 1) * 0.2) - (noise.Smooth(u, 0.7, 11, 1, 4) * 0.05);
        var ground = 0.66 + (noise.Smooth(u, 0.2, 3, 1, 8) * 0.03);
        var colour = Tint.Mix(view.High, view.Low, Math.Min(1, v / 0.55));
        colour = Tint.Mix(colour, Tint.Hex(0xFFFFFF), Noise.Step(0.52, 0.8, noise.Cloud(u, v * 1.6, 4, 4, 21)) * 0.55 * (1 - v));
        if (v > ridge) colour = Tint.Mix(view.Far, view.Low, 0.35 - ((v - ridge) * 0.8)).Lit(0.95 + (noise.Cloud(u, v, 18, 2, 3) * 0.15));
        for (var i = 0; i < view.Houses; i++) colour = House(view, noise, i, x, v, ground) ?? colour;
        if (v <= ground) return colour;
        var depth = (v - ground) / (1 - ground);
        if (view.Water)
            return Tint.Mix(
                view.Near,
                view.Low,
                Math.Clamp(
                    (Math.Sin(((depth * depth * 30) + (noise.Smooth(u, v, 12, 10) * 1.6)) * 2) * 0.3) + 0.3,
                    0,
                    1) * (0.7 - (depth * 0.4)));
        var (first, second, id) = noise.Cells(u * (1.4 - depth), depth * 0.9, 14, 7, 0.8, 33);
        var joint = Noise.Step(0.02, 0.16, second - first);
        return Stallage(view, x, v, detail) ?? view.Near.Lit((0.72 + (id * 0.3) + (depth * 0.15)) * (0.7 + (joint * 0.3)));
    }

    /// <summary>A market cross in the middle, where the eye goes.</summary>
    private static Tint? Stallage(Outlook view, double x, double v, double detail)
    {
        var stone = Tint.Hex(0x8C857A).Lit(x < 0 ? 1.12 : 0.8);
        if (detail < 1) return null;
        if (v is > 0.7 and < 0.94 && Math.Abs(x) < 0.03) return stone;
        if (v is > 0.9 and < 0.95 && Math.Abs(x) < 0.12) return stone.Lit(0.9);
        return v is > 0.86 and < 0.91 && Math.Abs(x) < 0.075 ? stone : null;
    }

    private static Tint? House(Outlook view, Noise noise, int number, double x, double v, double ground)
    {
        var middle = (((number + 0.5) / view.Houses) - 0.5) * 1.7 + ((noise.At(number, 1) - 0.5) * 0.1);
        double half = 0.07
            + (
                noise
                    .At(number, 2) * 0.05), wall = ground - 0.1 - (noise
                    .At(number, 3) * 0.08), roof = wall - 0.1 - (noise
                    .At(number, 4) * 0.06);
        double dx = Math.Abs(x - middle);
        if (v > ground + 0.01 || v < roof || dx > half + 0.02) return null;
        var tint = new[] { 0xC9B48Eu, 0xB98E6Cu, 0xD8CBB0u, 0xA9A08Eu, 0xC27B58u }[number % 5];
        if (v > wall)
        {
            if (dx > half) return null;
            var window = Math.Abs(dx - (half * 0.45)) < 0.014 && v > wall + 0.03 && v < wall + 0.075;
            return window
                ? Tint.Mix(Tint.Hex(0x2B2A2E), view.Low, 0.25)
                : Tint.Hex(tint).Lit((x < middle ? 1.05 : 0.84) + ((noise.Cloud(x + 2, v, 20, 2, 6) - 0.5) * 0.12));
        }

        var slope = (v - roof) / (wall - roof) * (half + 0.02);
        return dx < slope
            ? Tint.Hex(number % 2 == 0 ? 0x7A4632u : 0x515864u).Lit((x < middle ? 1.1 : 0.8) + (Math.Sin(v * 260) * 0.05))
            : null;
    }
}
