namespace Underlay.Demo.Art;

/// <summary>Seeded noise that repeats at the edges of the unit square, so that pictures made of it tile without a seam.</summary>
/// <param name="seed">Another seed, another noise.</param>
internal sealed class Noise(int seed)
{
    /// <summary>A number from 0 to 1 for a lattice point.</summary>
    public double At(int x, int y, int salt = 0)
    {
        var h = unchecked((uint)((x * 374761393) + (y * 668265263) + ((seed + salt) * 2147483647L)));
        h = unchecked((h ^ (h >> 13)) * 1274126177u);
        h = unchecked((h ^ (h >> 15)) * 2246822519u);
        return ((h ^ (h >> 16)) & 0xFFFFFF) / (double)0xFFFFFF;
    }

    /// <summary>Smooth value noise, 0 to 1, with a number of lattice cells across each side.</summary>
    public double Smooth(double u, double v, int cellsX, int cellsY, int salt = 0)
    {
        double x = u * cellsX, y = v * cellsY;
        int x0 = (int)Math.Floor(x), y0 = (int)Math.Floor(y);
        double fx = Ease(x - x0), fy = Ease(y - y0);
        double Corner(int dx, int dy) => At(Wrap(x0 + dx, cellsX), Wrap(y0 + dy, cellsY), salt);
        return Mix(Mix(Corner(0, 0), Corner(1, 0), fx), Mix(Corner(0, 1), Corner(1, 1), fx), fy);
    }

    /// <summary>Octaves of smooth noise, 0 to 1.</summary>
    public double Cloud(double u, double v, int cells, int octaves, int salt = 0)
    {
        double sum = 0, weight = 1, total = 0;
        for (var i = 0; i < octaves; i++, cells *= 2, weight *= 0.5)
        {
            sum += weight * Smooth(u, v, cells, cells, salt + (i * 17));
            total += weight;
        }

        return sum / total;
    }

    /// <summary>The nearest and second-nearest of scattered points: distances in cells, and a number from 0 to 1 for the nearest.</summary>
    public (double First, double Second, double Id) Cells(double u, double v, int cellsX, int cellsY, double jitter = 0.85, int salt = 0)
    {
        double x = u * cellsX, y = v * cellsY;
        int x0 = (int)Math.Floor(x), y0 = (int)Math.Floor(y);
        double first = 9, second = 9, id = 0;
        for (var dy = -1; dy <= 1; dy++)
            for (var dx = -1; dx <= 1; dx++)
            {
                int cx = Wrap(x0 + dx, cellsX), cy = Wrap(y0 + dy, cellsY);
                var px = x0 + dx + 0.5 + ((At(cx, cy, salt + 1) - 0.5) * jitter);
                var py = y0 + dy + 0.5 + ((At(cx, cy, salt + 2) - 0.5) * jitter);
                var distance = Math.Sqrt(((px - x) * (px - x)) + ((py - y) * (py - y)));
                if (distance < first) (second, first, id) = (first, distance, At(cx, cy, salt + 3));
                else if (distance < second) second = distance;
            }

        return (first, second, id);
    }

    public static double Mix(double a, double b, double t) => a + ((b - a) * t);

    public static double Square(double value) => value * value;

    public static double Step(double from, double to, double value) => Ease(Math.Clamp((value - from) / (to - from), 0, 1));

    private static double Ease(double t) => t * t * (3 - (2 * t));

    private static int Wrap(int value, int size) => ((value % size) + size) % size;
}
