namespace Underlay.Demo.Art;

/// <summary>A potter's mark, drawn in strokes: how far a point lies from the nearest of them, in units of the mark's height.</summary>
/// <param name="Tall">How much taller than letters it may stand.</param>
/// <param name="Width">How wide the mark is, in heights.</param>
/// <param name="Stroke">Half the width of a stroke.</param>
/// <param name="Distance">From a point, measured from the middle and downwards.</param>
internal sealed record SealMotif(double Tall, double Width, double Stroke, Func<double, double, double> Distance)
{
    private const double Usual = 0.075;

    /// <summary>A leaf with its rib.</summary>
    public static SealMotif Leaf { get; } = new(1.6, 1, 0.06, (x, y) =>
    {
        double along = (x - y) / Math.Sqrt(2), across = (x + y) / Math.Sqrt(2);
        var t = Math.Clamp((along + 0.5) / 1.0, 0, 1);
        var edge = 0.3 * Math.Sin(t * Math.PI);
        var outline = Math.Abs(Math.Abs(across) - edge);
        var rib = Segment(along, across, -0.7, 0, 0.36, 0);
        var veins = Math.Min(Segment(along, Math.Abs(across), -0.2, 0, 0.0, 0.2), Segment(along, Math.Abs(across), 0.04, 0, 0.22, 0.16));
        return Math.Min(along is > -0.5 and < 0.5 ? outline : 9, Math.Min(rib, veins));
    });

    /// <summary>A stem with leaves in pairs.</summary>
    public static SealMotif Sprig { get; } = new(1.6, 0.8, 0.06, (x, y) =>
    {
        var nearest = Segment(x, y, 0, 0.5, 0, -0.5);
        for (var pair = 0; pair < 3; pair++)
        {
            var joint = 0.3 - (pair * 0.26);
            nearest = Math.Min(nearest, Segment(Math.Abs(x), y, 0, joint, 0.3 - (pair * 0.05), joint - 0.22));
        }

        return nearest;
    });

    /// <summary>Three reeds with their heads.</summary>
    public static SealMotif Reeds { get; } = new(1.6, 1.2, 0.045, (x, y) =>
    {
        var nearest = 9.0;
        for (var reed = -1; reed <= 1; reed++)
        {
            double foot = reed * 0.22, head = reed * 0.46, top = reed == 0 ? -0.5 : -0.36;
            nearest = Math.Min(nearest, Segment(x, y, foot, 0.5, head, top));
            nearest = Math.Min(nearest, Segment(x, y, head * 0.93, top + 0.05, head, top) - 0.05);
        }

        return Math.Min(nearest, Segment(x, y, -0.34, 0.26, 0.34, 0.26));
    });

    /// <summary>Two lines that cross, with a dot in each corner.</summary>
    public static SealMotif Crossed { get; } = new(1.5, 1, 0.07, (x, y) =>
    {
        var lines = Segment(Math.Abs(x), Math.Abs(y), 0, 0, 0.42, 0.42);
        var dots = Math.Min(Math.Sqrt(Noise.Square(Math.Abs(x) - 0.38) + (y * y)), Math.Sqrt((x * x) + Noise.Square(Math.Abs(y) - 0.38)));
        return Math.Min(lines, dots);
    });

    /// <summary>Three waves.</summary>
    public static SealMotif Waves { get; } = new(1.5, 1.2, 0.065, (x, y) =>
    {
        var nearest = 9.0;
        for (var wave = -1; wave <= 1; wave++) nearest = Math.Min(nearest, Math.Abs(y - (wave * 0.32) - (0.09 * Math.Sin(x * 9))));
        return nearest + Math.Max(0, Math.Abs(x) - 0.62);
    });

    /// <summary>Letters.</summary>
    /// <param name="text">One to six capital letters.</param>
    /// <param name="stroke">Half the width of a stroke.</param>
    public static SealMotif Of(string text, double stroke = Usual)
    {
        var distance = Letters.Distance(text);
        return new(1, Letters.Width(text), stroke, (x, y) => distance(x, y - 0.01));
    }

    private static double Segment(double x, double y, double x0, double y0, double x1, double y1) =>
        Letters.ToSegment(x, y, x0, y0, x1, y1);
}
