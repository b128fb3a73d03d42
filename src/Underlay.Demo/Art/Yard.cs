namespace Underlay.Demo.Art;

/// <summary>
/// What lies and stands in a pottery's yard and kiln: saggars, shelves, raked clay, sherds, plaster, racks. All of it tiles.
/// </summary>
internal static class Yard
{
    /// <summary>Saggars stacked into a wall: fired clay boxes seen from the side, scorched by many firings.</summary>
    public static Raster Saggars(int size, int seed, int rows, int columns, Palette clay)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1, (u, v) =>
        {
            var row = (int)Math.Floor(v * rows);
            var y = (v * rows) - row;
            var across = (u * columns) + (row % 2 * 0.5);
            var column = (int)Math.Floor(across);
            var x = (across - column - 0.5) * 2;
            var id = noise.At(((column % columns) + columns) % columns, row, 5);
            var round = Math.Sqrt(Math.Max(0, 1 - (x * x * 0.98)));
            // A rim at the top where the next one sits, throwing rings down the side.
            var rim = Noise.Step(0.02, 0.06, y) - Noise.Step(0.13, 0.17, y);
            var rings = 0.5 + (0.5 * Math.Sin((y * 38) + (noise.Smooth(u, v, 12, 4, 3) * 2)));
            var gap = Noise.Step(0, 0.05, y) * Noise.Step(0.02, 0.14, 1 - Math.Abs(x));
            var scorch = Noise.Step(0.5, 0.8, noise.Cloud(u, v, 4, 4, 41)) * 0.5;
            var grain = noise.Cloud(u, v, 20, 3, 9);
            var colour = clay.At((id * 0.45) + (grain * 0.35) + (rings * 0.1)).Lit(0.52 + (round * 0.56));
            colour = Tint.Mix(colour, Tint.Hex(0x35261F), scorch);
            return new Spot((round * 0.35) + (rim * 0.16) + (rings * 0.02) + (grain * 0.06), Tint.Mix(Tint.Hex(0x1E1714), colour, gap));
        });
    }

    /// <summary>A kiln shelf under its white wash, with the scars that pots left.</summary>
    public static Raster KilnShelf(int size, int seed, Palette wash, Tint bare)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.2, (u, v) =>
        {
            var brush = noise.Smooth(u + (noise.Smooth(u, v, 3, 3, 4) * 0.04), v, 5, 46, 13);
            var grain = noise.Cloud(u, v, 20, 3, 7);
            var flaked = Noise.Step(0.63, 0.68, noise.Cloud(u, v, 5, 4, 29));
            var (first, _, id) = noise.Cells(u, v, 3, 3, 0.5, 61);
            var foot = 0.26 + (id * 0.1);
            var scar = Math.Exp(-Noise.Square((first - foot) * 26)) * (id > 0.25 ? 1 : 0);
            var drop = id > 0.7 && first < 0.07 ? 1.0 : 0;
            var colour = Tint.Mix(wash.At((brush * 0.55) + (grain * 0.45)), bare.Lit(0.85 + (grain * 0.3)), Math.Max(flaked, scar * 0.65));
            colour = Tint.Mix(colour, Tint.Hex(0x2F6E63), drop * 0.9);
            return new Spot((brush * 0.22) + (grain * 0.12) - (flaked * 0.28) + (scar * 0.12) + (drop * 0.2), colour);
        });
    }

    /// <summary>A clay yard drawn with a rake, with the prints of a few boots.</summary>
    public static Raster Raked(int size, int seed, Palette clay)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.9, (u, v) =>
        {
            var bend = (Math.Sin(u * Math.Tau) * 0.06) + ((noise.Cloud(u, v, 3, 2) - 0.5) * 0.05);
            var tooth = 0.5 + (0.5 * Math.Sin(((v + bend) * 16) * Math.Tau));
            var groove = Math.Pow(tooth, 0.7);
            var clod = noise.Cloud(u, v, 22, 2, 17);
            var (first, _, id) = noise.Cells(u, v, 4, 4, 0.8, 33);
            var lump = id > 0.6 && first < 0.15 ? Math.Sqrt(Math.Max(0, 0.0225 - (first * first))) * 4 : 0;
            return new Spot((groove * 0.42) + (clod * 0.26) + lump, clay.At((groove * 0.4) + (clod * 0.5) + (lump * 0.3)));
        });
    }

    /// <summary>Broken pots trodden into the ground: sherds of many glazes.</summary>
    public static Raster Sherds(int size, int seed, Palette earth, params Tint[] glazes)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.5, (u, v) =>
        {
            var ground = noise.Cloud(u, v, 9, 4, 3);
            var (first, second, id) = noise.Cells(u, v, 7, 7, 1, 21);
            var edge = second - first;
            var isSherd = id > 0.34;
            var inside = isSherd ? Noise.Step(0.12, 0.2, edge) : 0;
            var glaze = glazes[(int)(id * 997) % glazes.Length];
            // Most lie with their glazed side up, some show raw clay; a broken edge is pale.
            var side = (int)(id * 3571) % 4 == 0 ? Tint.Hex(0xB4795A) : glaze;
            var lip = isSherd ? Noise.Step(0.12, 0.15, edge) - Noise.Step(0.18, 0.24, edge) : 0;
            var shine = Math.Exp(-Noise.Square((first - 0.18) * 9)) * 0.24;
            var colour = Tint.Mix(side.Lit(0.9 + (ground * 0.2)), Tint.Hex(0xFFFFFF), shine);
            colour = Tint.Mix(colour, Tint.Hex(0xD9B493), lip * 0.7);
            return new Spot((ground * 0.35) + (inside * (0.3 + (id * 0.2))), Tint.Mix(earth.At(ground), colour, inside));
        });
    }

    /// <summary>Plaster laid on with a trowel.</summary>
    public static Raster Plaster(int size, int seed, Palette plaster)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.7, (u, v) =>
        {
            // Arcs that a trowel leaves: circles around scattered elbows, the later over the earlier.
            double height = 0.2, tone = 0.5;
            for (var arc = 0; arc < 14; arc++)
            {
                double cx = noise.At(arc, 0), cy = noise.At(arc, 1), radius = 0.16 + (noise.At(arc, 2) * 0.16);
                double dx = Nearest(u - cx), dy = Nearest(v - cy);
                var distance = Math.Sqrt((dx * dx) + (dy * dy));
                var turn = Math.Atan2(dy, dx) + (noise.At(arc, 3) * Math.Tau);
                var length = Noise.Step(-0.2, 0.5, Math.Cos(turn));
                var across = (distance - radius) / 0.075;
                if (Math.Abs(across) >= 1) continue;
                var pressed = length * (1 - Noise.Step(0.7, 1, Math.Abs(across)));
                var bristle = noise.Smooth(distance * 3, turn / Math.Tau, 90, 2, 30 + arc);
                height = Noise.Mix(height, 0.16 + (bristle * 0.07) + (Math.Max(0, across) * 0.16), pressed);
                tone = Noise.Mix(tone, 0.42 + (bristle * 0.3) + (noise.At(arc, 5) * 0.12), pressed);
            }

            var grain = noise.Cloud(u, v, 28, 2, 7);
            return new Spot(height + (grain * 0.1), plaster.At((tone * 0.75) + (grain * 0.25)));
        });
    }

    private static double Nearest(double offset) => offset - Math.Round(offset);

    /// <summary>A drying rack from above: bundles of reed tied across bearers.</summary>
    public static Raster DryingRack(int size, int seed, int reeds, Palette reed, Tint twine)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.5, (u, v) =>
        {
            var sway = (noise.Smooth(u, v, 2, 3, 4) - 0.5) * 0.02;
            var at = (u + sway) * reeds;
            var number = (int)Math.Floor(at);
            var x = (at - number - 0.5) * 2;
            var round = Math.Sqrt(Math.Max(0, 1 - (x * x)));
            var id = noise.At(((number % reeds) + reeds) % reeds, 0, 3);
            var knot = Math.Exp(-Noise.Square(((v + (id * 0.9)) % 0.5 - 0.25) * 60));
            var fibre = noise.Smooth(u, v, reeds * 4, 5, 9);
            var colour = reed.At((id * 0.5) + (fibre * 0.4)).Lit(0.55 + (round * 0.5) - (knot * 0.14));
            // Twine goes over and under, twice across.
            var band = Math.Abs(((v * 2) % 1) - 0.5) * 2;
            var over = number % 2 == 0;
            var tied = (1 - Noise.Step(0.07, 0.1, band)) * (over ? 1 : 0.25);
            var strand = 0.75 + (0.25 * Math.Sin((u * reeds * Math.Tau) + (band * 30)));
            colour = Tint.Mix(colour, twine.Lit(strand), tied);
            var gap = Noise.Step(0.02, 0.2, round);
            return new Spot((round * 0.4) + (tied * 0.25) + (knot * 0.06), Tint.Mix(reed.Dark.Lit(0.35), colour, gap));
        });
    }

    /// <summary>Slip left to settle in a shallow pit: a wet skin with a few slow rings.</summary>
    public static Raster Slip(int size, int seed, Palette slip)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.1, (u, v) =>
        {
            var bend = noise.Cloud(u, v, 3, 3, 5);
            var fold = 0.5 + (0.5 * Math.Sin((bend * 3.4 * Math.Tau) + (noise.Smooth(u, v, 2, 2, 8) * 4)));
            var (first, _, id) = noise.Cells(u, v, 3, 3, 0.8, 71);
            var ring = id > 0.45 ? Math.Exp(-Noise.Square((first - 0.2) * 18)) + (Math.Exp(-Noise.Square((first - 0.1) * 24)) * 0.6) : 0;
            var gleam = Math.Pow(fold, 6) * 0.35;
            return new Spot(
                (fold * 0.16) + (ring * 0.1),
                Tint.Mix(slip.At((bend * 0.6) + (fold * 0.35)), Tint.Hex(0xFFFAF0), gleam + (ring * 0.16)));
        });
    }

    /// <summary>Bricks of a kiln's throat where ash melted into a running glaze.</summary>
    public static Raster AshGlazed(int size, int seed, int rows, int columns, Palette brick, Palette glaze)
    {
        var bare = Grounds.Courses(size, seed, rows, columns, 0.12, brick, Tint.Hex(0x6A6250));
        var noise = new Noise(seed + 1);
        return bare.Map((x, y, tint) =>
        {
            double u = (x + 0.5) / size, v = (y + 0.5) / size;
            var column = noise.Smooth(u, 0, 18, 1, 3);
            var run = noise.Smooth(u + ((noise.Smooth(u, v, 8, 6, 12) - 0.5) * 0.03), v, 18, 3, 5);
            var covered = Noise.Step(0.42, 0.58, (run * 0.7) + (column * 0.3));
            var gleam = Math.Pow(noise.Smooth(u, v, 36, 5, 7), 5) * 0.7;
            var wet = Tint.Mix(glaze.At((run * 0.6) + (noise.Cloud(u, v, 12, 3, 8) * 0.4)), Tint.Hex(0xFFFFFF), gleam);
            var light = (tint.R + tint.G + tint.B) / 3 * 1.7;
            return Tint.Mix(tint, wet.Lit(Math.Clamp(0.45 + light, 0.5, 1.2)), covered * 0.88);
        });
    }
}
