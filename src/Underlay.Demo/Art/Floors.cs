namespace Underlay.Demo.Art;

/// <summary>Tiled floors and walls as potters make them: trailed with slip, inlaid, scratched, hexagonal. All of them tile.</summary>
internal static class Floors
{
    private static readonly Tint Grout = Tint.Hex(0x8A8272);

    /// <summary>Square tiles on which slip was trailed: wavy lines, combed dots, and a curl on every other one.</summary>
    public static Raster SlipTrailed(int size, int seed, int tiles, Palette clay, Tint slip)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.1, (u, v) =>
        {
            var tile = Tile.At(u, v, tiles, noise);
            double x = tile.X - 0.5, y = tile.Y - 0.5;
            var curled = (tile.Column + tile.Row) % 2 == 0;
            var trail = curled ? Curl(x, y) : Waves(tile.X, tile.Y);
            // Slip runs a little thicker and thinner, as a hand presses the bag.
            var width = 0.032 + (noise.Cloud(u, v, 10, 2, 31) * 0.022);
            var on = 1 - Noise.Step(width - 0.02, width + 0.02, trail);
            var grain = noise.Cloud(u, v, 16, 3, 7);
            var ground = clay.At((tile.Id * 0.5) + (grain * 0.5));
            var colour = Tint.Mix(ground, slip.Lit(0.9 + (grain * 0.2)), on);
            return new Spot(
                (tile.Inside * 0.4) + (on * tile.Inside * 0.35) + (grain * 0.08),
                Tint.Mix(Grout.Lit(0.7 + (grain * 0.4)), colour, tile.Inside));
        });

        static double Waves(double x, double y)
        {
            var nearest = 9.0;
            for (var line = 0; line < 3; line++)
                nearest = Math.Min(nearest, Math.Abs(y - 0.24 - (line * 0.26) - (0.055 * Math.Sin(x * Math.Tau * 2))));
            return nearest;
        }

        static double Curl(double x, double y)
        {
            var radius = Math.Sqrt((x * x) + (y * y));
            var turn = (Math.Atan2(y, x) / Math.Tau) + 0.5;
            var nearest = radius < 0.36 ? Math.Abs(((radius / 0.125) - turn + 8.5) % 1 - 0.5) * 0.125 : 9;
            var corner = Math.Sqrt(Noise.Square(Math.Abs(x) - 0.36) + Noise.Square(Math.Abs(y) - 0.36));
            return Math.Min(nearest, Math.Max(0, corner - 0.02));
        }
    }

    /// <summary>Tiles inlaid with pale clay: four of them make a ring with a leaf in each corner.</summary>
    public static Raster Encaustic(int size, int seed, int tiles, Palette clay, Tint inlay)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 0.9, (u, v) =>
        {
            var tile = Tile.At(u, v, tiles, noise);
            // Each tile is turned so that its ring's middle lies where four of them meet.
            var x = tile.Column % 2 == 0 ? 1 - tile.X : tile.X;
            var y = tile.Row % 2 == 0 ? 1 - tile.Y : tile.Y;
            var radius = Math.Sqrt((x * x) + (y * y));
            var ring = Band(radius, 0.62, 0.74) + Band(radius, 0.86, 0.9);
            var leaf = Leaf((x + y) / Math.Sqrt(2), (x - y) / Math.Sqrt(2), 0.14, 0.54, 0.13);
            var star = Leaf((2 - x - y) / Math.Sqrt(2), (x - y) / Math.Sqrt(2), 0.0, 0.3, 0.09);
            var worn = Noise.Step(0.2, 0.42, noise.Cloud(u, v, 9, 3, 51));
            var on = Math.Min(1, ring + leaf + star) * (0.72 + (worn * 0.28));
            var grain = noise.Cloud(u, v, 18, 3, 9);
            var ground = clay.At((tile.Id * 0.45) + (grain * 0.55));
            return new Spot(
                (tile.Inside * 0.35) + (grain * 0.14),
                Tint.Mix(Grout.Lit(0.5 + (grain * 0.3)), Tint.Mix(ground, inlay.Lit(0.88 + (grain * 0.2)), on), tile.Inside));
        });

        static double Band(double value, double from, double to) =>
            Noise.Step(from - 0.015, from + 0.015, value) - Noise.Step(to - 0.015, to + 0.015, value);
    }

    /// <summary>Tiles under dark slip through which a sprig was scratched down to the pale clay.</summary>
    public static Raster Sgraffito(int size, int seed, int tiles, Palette slip, Tint clay)
    {
        var noise = new Noise(seed);
        return Relief.Paint(size, 1.4, (u, v) =>
        {
            var tile = Tile.At(u, v, tiles, noise);
            double x = tile.X - 0.5, y = tile.Y;
            var stem = Math.Abs(x - (0.05 * Math.Sin(y * Math.Tau)));
            var scratch = y is > 0.12 and < 0.9 ? stem : 9;
            for (var pair = 0; pair < 4; pair++)
            {
                var joint = 0.82 - (pair * 0.17);
                var bend = 0.05 * Math.Sin(joint * Math.Tau);
                for (var side = -1; side <= 1; side += 2)
                {
                    // A leaf's outline and its rib, scratched.
                    double along = (((x - bend) * side) + (joint - y)) / Math.Sqrt(2), across = (((x - bend) * side) - (joint - y)) / Math
                        .Sqrt(2);
                    var reach = 0.3 - (pair * 0.03);
                    if (along < 0 || along > reach) continue;
                    var edge = 0.055 * Math.Sin(along / reach * Math.PI);
                    scratch = Math.Min(scratch, Math.Min(Math.Abs(Math.Abs(across) - edge), Math.Abs(across) + 0.004));
                }
            }

            var frame = Math.Min(Math.Min(tile.X, 1 - tile.X), Math.Min(tile.Y, 1 - tile.Y));
            scratch = Math.Min(scratch, Math.Abs(frame - 0.085));
            var on = 1 - Noise.Step(0.012, 0.03, scratch);
            var grain = noise.Cloud(u, v, 14, 3, 5);
            var brushed = noise.Smooth(u, v, 6, 40, 15);
            var ground = slip.At((tile.Id * 0.3) + (grain * 0.3) + (brushed * 0.4));
            return new Spot(
                (tile.Inside * 0.45) - (on * 0.22) + (grain * 0.06),
                Tint.Mix(Grout.Lit(0.6), Tint.Mix(ground, clay, on), tile.Inside));
        });
    }

    /// <summary>Hexagonal tiles of several clays.</summary>
    public static Raster Hexagons(int size, int seed, int across, Palette clay)
    {
        var noise = new Noise(seed);
        var rows = across + (across % 2);
        return Relief.Paint(size, 1.3, (u, v) =>
        {
            double first = 9, second = 9, id = 0;
            for (var row = (int)Math.Floor(v * rows) - 1; row <= (int)Math.Floor(v * rows) + 2; row++)
                for (var column = (int)Math.Floor(u * across) - 1; column <= (int)Math.Floor(u * across) + 2; column++)
                {
                    var shift = ((row % 2) + 2) % 2 * 0.5;
                    double dx = (u * across) - column - shift, dy = ((v * rows) - row) * across / rows;
                    var distance = (dx * dx) + (dy * dy);
                    if (distance < first)
                        (second, first, id) = (
                            first,
                            distance,
                            noise.At(((column % across) + across) % across, ((row % rows) + rows) % rows, 3));
                    else second = Math.Min(second, distance);
                }

            var inside = Noise.Step(0.03, 0.12, Math.Sqrt(second) - Math.Sqrt(first));
            var grain = noise.Cloud(u, v, 16, 3, 11);
            var hollow = 1 - Math.Min(1, first * 1.6);
            return new Spot(
                (inside * 0.5) - (hollow * 0.1) + (grain * 0.12),
                Tint.Mix(Grout.Lit(0.55 + (grain * 0.4)), clay.At((id * 0.75) + (grain * 0.25)), inside));
        });
    }

    /// <summary>1 inside of a leaf that lies along an axis.</summary>
    private static double Leaf(double along, double across, double from, double to, double breadth)
    {
        if (along <= from || along >= to) return 0;
        var edge = breadth * Math.Sin((along - from) / (to - from) * Math.PI);
        var rib = Noise.Step(0.006, 0.02, Math.Abs(across));
        return (1 - Noise.Step(edge - 0.02, edge + 0.005, Math.Abs(across))) * rib;
    }

    /// <summary>The tile at a point: where in it, which one, how far from its joint, and a number from 0 to 1 of its own.</summary>
    private readonly record struct Tile(double X, double Y, int Column, int Row, double Inside, double Id)
    {
        public static Tile At(double u, double v, int tiles, Noise noise)
        {
            double x = u * tiles, y = v * tiles;
            int column = (int)Math.Floor(x), row = (int)Math.Floor(y);
            double inX = x - column, inY = y - row;
            var joint = Math.Min(Math.Min(inX, 1 - inX), Math.Min(inY, 1 - inY));
            return new Tile(inX, inY, column, row, Noise.Step(0.01, 0.045, joint), noise.At(column, row, 5));
        }
    }
}
