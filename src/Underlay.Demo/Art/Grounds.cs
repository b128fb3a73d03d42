namespace Underlay.Demo.Art;

/// <summary>Surfaces that tile: stone, brick, earth, boards, straw, green and water.</summary>
internal static class Grounds
{
    /// <summary>Rounded pebbles in earth.</summary>
    public static Raster Pebbles(int size, int seed, int cells, Palette stone, Tint gap)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.5, (u, v) =>
        {
            var (first, second, id) = noise.Cells(u, v, cells, cells, 0.75);
            var edge = second - first;
            var inside = Noise.Step(0.04, 0.3, edge);
            var grain = noise.Cloud(u, v, 16, 3, 40);
            var dome = Math.Sqrt(Math.Max(0, 1 - (first * first * 1.5)));
            var colour = stone.At((id * 0.6) + (grain * 0.4));
            return new Spot((inside * dome * 0.9) + (grain * 0.08), Tint.Mix(gap.Lit(0.8 + (grain * 0.4)), colour, inside));
        });
    }

    /// <summary>Cut stones in courses, each of its own tint; <paramref name="growth"/> fills the joints where it is given.</summary>
    public static Raster Courses(int size, int seed, int rows, int columns, double joint, Palette stone, Tint mortar, Tint? growth = null)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.3, (u, v) =>
        {
            var wobble = (noise.Cloud(u, v, 8, 2, 11) - 0.5) * 0.03;
            var row = (int)Math.Floor((v + wobble) * rows);
            var inRow = ((v + wobble) * rows) - row;
            var shift = (((row % rows) + rows) % rows) % 2 == 0 ? 0 : 0.5;
            var across = ((u + wobble) * columns) + shift;
            var column = (int)Math.Floor(across);
            var inColumn = across - column;
            var nearest = Math.Min(Math.Min(inRow, 1 - inRow) / columns, Math.Min(inColumn, 1 - inColumn) / rows) * Math.Max(rows, columns);
            var inside = Noise.Step(joint * 0.4, joint, nearest);
            var id = noise.At(((column % columns) + columns) % columns, ((row % rows) + rows) % rows, 5);
            var grain = noise.Cloud(u, v, 12, 4, 23);
            var colour = stone.At((id * 0.55) + (grain * 0.45));
            var bed = growth is { } green ? Tint.Mix(mortar, green, Noise.Step(0.35, 0.6, noise.Cloud(u, v, 6, 3, 77))) : mortar;
            if (growth is { } moss) colour = Tint.Mix(colour, moss, Noise.Step(0.62, 0.75, noise.Cloud(u, v, 5, 4, 91)) * 0.8);
            return new Spot((inside * 0.55) + (grain * 0.3), Tint.Mix(bed.Lit(0.75 + (grain * 0.4)), colour, inside));
        });
    }

    /// <summary>Soft earth, sand, ash or snow, with pebbles where asked.</summary>
    public static Raster Earth(int size, int seed, Palette ground, double roughness, double pebbles = 0)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 2.4, (u, v) =>
        {
            var broad = noise.Cloud(u, v, 4, 4);
            var fine = noise.Cloud(u, v, 24, 2, 31);
            var height = (broad * 0.5) + (fine * roughness);
            var colour = ground.At((broad * 0.7) + (fine * 0.3));
            var (first, _, id) = noise.Cells(u, v, 9, 9, 0.9, 51);
            if (id < pebbles && first < 0.14 + (id * 0.3))
            {
                height += Math.Sqrt(Math.Max(0, 0.25 - (first * first))) * 0.8;
                colour = Tint.Mix(colour, ground.Light, 0.55).Lit(0.85 + (id * 0.5));
            }

            return new Spot(height, colour);
        });
    }

    /// <summary>Clay that dried and broke into plates.</summary>
    public static Raster Cracked(int size, int seed, int cells, Palette clay)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.3, (u, v) =>
        {
            var bend = (noise.Cloud(u, v, 6, 3, 9) - 0.5) * 0.08;
            var (first, second, id) = noise.Cells(u + bend, v - bend, cells, cells, 0.95);
            var plate = Noise.Step(0.015, 0.09, second - first);
            var grain = noise.Cloud(u, v, 16, 3, 40);
            return new Spot(
                (plate * 0.6) - (first * 0.25) + (grain * 0.12),
                Tint.Mix(clay.Dark.Lit(0.45), clay.At((id * 0.4) + (grain * 0.6)), plate));
        });
    }

    /// <summary>Sand blown or washed into ripples.</summary>
    public static Raster Ripples(int size, int seed, Palette sand)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 2.2, (u, v) =>
        {
            var bend = noise.Cloud(u, v, 3, 3) * 0.9;
            var wave = Math.Sin(((v * 7) + bend + (Math.Sin(u * Math.Tau) * 0.18)) * Math.Tau);
            var crest = Math.Pow((wave + 1) / 2, 1.6);
            var grain = noise.Cloud(u, v, 32, 2, 7);
            return new Spot((crest * 0.5) + (grain * 0.2), sand.At((crest * 0.45) + (grain * 0.55)));
        });
    }

    /// <summary>Boards side by side with grain and nails.</summary>
    public static Raster Boards(int size, int seed, int boards, Palette wood)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.8, (u, v) =>
        {
            var across = u * boards;
            var board = (int)Math.Floor(across);
            var inBoard = across - board;
            var id = noise.At(board, 0, 3);
            var ring = noise.Smooth(u, v, boards * 6, 3, 13 + board) + (noise.Smooth(u, v, boards * 14, 2, 19) * 0.5);
            var line = 0.5 + (0.5 * Math.Sin((ring * 9) + (inBoard * 14)));
            var gap = Noise.Step(0.01, 0.07, Math.Min(inBoard, 1 - inBoard));
            var colour = wood.At((id * 0.45) + (line * 0.35) + (noise.Cloud(u, v, 20, 2, 2) * 0.2));
            double nailY = ((id * 3) % 1.0 * 0.8) + 0.1, nail = Math.Sqrt(Noise.Square((inBoard - 0.5) / boards) + Noise.Square(v - nailY));
            if (nail < 0.014) return new Spot(0.9, Tint.Hex(0x3A3632));
            return new Spot((gap * 0.5) + (line * 0.16), Tint.Mix(wood.Dark.Lit(0.4), colour, gap));
        });
    }

    /// <summary>Split shingles, slates or scalloped tiles in rows that overlap.</summary>
    public static Raster Scales(int size, int seed, int rows, int columns, double roundness, Palette tile, double gloss)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.2, (u, v) =>
        {
            var row = (int)Math.Floor(v * rows);
            // The row above hangs over this one; where it ends, this row shows.
            return Scale(u, (v * rows) - row + 1, row - 1, hangs: true) ?? Scale(u, (v * rows) - row, row, hangs: false)!.Value;
        });

        Spot? Scale(double u, double y, int row, bool hangs)
        {
            var across = (u * columns) + ((((row % 2) + 2) % 2) * 0.5);
            var column = (int)Math.Floor(across);
            var x = (across - column - 0.5) * 2;
            var length = 1.06 + (roundness * 0.42 * Math.Sqrt(1 - (x * x)));
            if (hangs && y > length) return null;
            var id = noise.At(((column % columns) + columns) % columns, ((row % rows) + rows) % rows, 7);
            var grain = noise.Cloud(u, y / rows, 16, 3, 3);
            var shine = gloss * Math.Exp(-((x + 0.3) * (x + 0.3) * 6) - ((y - 0.9) * (y - 0.9) * 9));
            var colour = Tint.Mix(tile.At((id * 0.55) + (grain * 0.45)), Tint.Hex(0xFFFFFF), shine);
            var joint = 1 - Noise.Step(0.86, 0.98, Math.Abs(x));
            return new Spot(
                (y * 0.4) + (Math.Sqrt(1 - (x * x)) * 0.25) + (grain * 0.08),
                colour.Lit((0.62 + (Math.Min(1.4, y) * 0.32)) * (0.6 + (joint * 0.4))));
        }
    }

    /// <summary>Stalks laid over each other; <paramref name="cover"/> below 1 leaves holes between them.</summary>
    public static Raster Straw(int size, int seed, Palette straw, double spread, double cover)
    {
        var noise = new Noise(seed);
        var height = new double[size * size];
        var colour = new Tint[size * size];
        var stalks = size * size / 26;
        for (var i = 0; i < stalks; i++)
        {
            if (noise.At(i, 4) > cover) continue;
            double x = noise.At(i, 0) * size, y = noise.At(i, 1) * size;
            var angle = (Math.PI / 2) + ((noise.At(i, 2) - 0.5) * spread);
            var length = size * (0.16 + (noise.At(i, 3) * 0.28));
            var tint = straw.At(noise.At(i, 5));
            double dx = Math.Cos(angle), dy = Math.Sin(angle), level = i / (double)stalks;
            for (var t = 0.0; t < length; t += 0.5)
                for (var side = -1; side <= 1; side++)
                {
                    int px = Wrap(
                        (int)Math.Floor(x + (dx * t) + (side * dy * 0.7)),
                        size), py = Wrap((int)Math.Floor(y + (dy * t) - (side * dx * 0.7)), size);
                    height[(py * size) + px] = level + (side == 0 ? 0.08 : 0);
                    colour[(py * size) + px] = tint.Lit(0.82 + (level * 0.25) - (side * 0.12));
                }
        }

        return Relief.Paint(size, 0.9, (u, v) =>
        {
            var at = (Math.Min(size - 1, (int)(v * size)) * size) + Math.Min(size - 1, (int)(u * size));
            if (height[at] > 0) return new Spot(height[at], colour[at]);
            return new Spot(0, cover < 1 ? straw.Dark.WithAlpha(0) : straw.Dark.Lit(0.5));
        });
    }

    /// <summary>Withies woven over and under upright stakes, or rushes into a mat.</summary>
    public static Raster Weave(int size, int seed, int rows, int columns, Palette reed, bool holes)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.6, (u, v) =>
        {
            double x = u * columns, y = v * rows;
            int column = (int)Math.Floor(x), row = (int)Math.Floor(y);
            double inX = x - column - 0.5, inY = y - row - 0.5;
            var over = (column + row) % 2 == 0;
            var strand = over ? inY : inX;
            var bend = over ? Math.Cos(inX * Math.PI) : Math.Cos(inY * Math.PI);
            if (holes && Math.Abs(strand) > 0.4 && Math.Abs(over ? inX : inY) > 0.34) return new Spot(0, reed.Dark.WithAlpha(0));
            var grain = over ? noise.Smooth(u, v, columns, rows * 9, 3) : noise.Smooth(u, v, columns * 9, rows, 5);
            var round = Math.Sqrt(Math.Max(0, 0.25 - (strand * strand))) * 2;
            var id = over ? noise.At(row, 0, 8) : noise.At(column, 1, 9);
            return new Spot((round * 0.5) + (bend * 0.35), reed.At((id * 0.4) + (grain * 0.4) + (round * 0.2)).Lit(0.6 + (bend * 0.45)));
        });
    }

    /// <summary>Blades or sprigs seen from above, with flowers where asked.</summary>
    public static Raster Green(int size, int seed, Palette leaf, double tuft, Tint? flower = null)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 2.2, (u, v) =>
        {
            var clump = noise.Cloud(u, v, 4, 3);
            var blade = noise.Smooth(u + (clump * 0.05), v, 40, 12, 3);
            var (first, _, id) = noise.Cells(u, v, 16, 16, 1, 21);
            var sprig = Math.Max(0, 0.5 - first) * tuft;
            var colour = leaf.At((clump * 0.5) + (blade * 0.35) + (sprig * 0.5));
            if (flower is { } petal && id > 0.62 && first < 0.32)
                colour = Tint.Mix(petal, Tint.Hex(0xFFFFFF), (0.3 - first) * 0.8).Lit(0.8 + (id * 0.3));
            return new Spot((clump * 0.3) + (blade * 0.35) + sprig, colour);
        });
    }

    /// <summary>Cushions of moss on stone.</summary>
    public static Raster Moss(int size, int seed, Palette moss, Tint stone)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.7, (u, v) =>
        {
            var (first, second, id) = noise.Cells(u, v, 7, 7, 1, 21);
            var cushion = Math.Sqrt(Math.Max(0, 1 - (first * first * 1.7)));
            var nap = noise.Cloud(u, v, 26, 2, 5);
            var bare = Noise.Step(0.6, 0.7, noise.Cloud(u, v, 4, 4, 61)) * (1 - Noise.Step(0.1, 0.4, second - first));
            var colour = moss.At((cushion * 0.4) + (nap * 0.4) + (id * 0.2));
            return new Spot((cushion * 0.32) + (nap * 0.28), Tint.Mix(colour, stone.Lit(0.7 + (nap * 0.5)), bare));
        });
    }

    /// <summary>Water with light bent over its bed; alpha says how deep it looks.</summary>
    public static Raster Water(int size, int seed, Palette water, double flow, double clearness)
    {
        var noise = new Noise(seed);
        return Raster.Paint(size, size, (u, v) =>
        {
            var bend = (noise.Cloud(u, v, 3, 3) - 0.5) * 0.16;
            var a = noise.Cells(u + bend, v + (bend * flow), 5, (int)(5 / flow), 1);
            var b = noise.Cells(u - bend, v + bend, 8, (int)(8 / flow), 1, 60);
            var net = Math.Pow(1 - Math.Min(1, (a.Second - a.First) * 2.4), 3)
                + (Math.Pow(1 - Math.Min(1, (b.Second - b.First) * 2.6), 4) * 0.5);
            var deep = noise.Cloud(u, v, 3, 4, 90);
            var colour = Tint.Mix(water.At(deep * 0.8), water.Light, Math.Min(1, net));
            return colour.WithAlpha(Math.Clamp(clearness + (deep * 0.25) + (net * 0.2), 0, 0.98));
        });
    }

    private static int Wrap(int value, int size) => ((value % size) + size) % size;
}
