namespace Underlay.Demo.Art;

/// <summary>The outline of a seal.</summary>
internal enum SealForm
{
    Oval,
    Round,
    Lozenge,
    Tablet,
}

/// <summary>
/// Potters' seals: one clay, pressed while it was soft; mark or letters stand in relief and are told by light and shade alone.
/// </summary>
internal static class Seals
{
    public const int Height = 44;

    private const double Press = 1.5;

    /// <summary>Paints a seal.</summary>
    /// <param name="width">Pixels across.</param>
    /// <param name="seed">Of the clay's grain.</param>
    /// <param name="form">Its outline.</param>
    /// <param name="motif">What is pressed into it.</param>
    /// <param name="clay">The clay's colour.</param>
    public static Raster Paint(int width, int seed, SealForm form, SealMotif motif, Tint clay)
    {
        var noise = new Noise(seed);
        var half = width / (double)Height;
        var (
            tallest,
            share) = form switch
            {
                SealForm.Tablet =>
                (0.98, 1.66),
                SealForm.Lozenge => (0.7, 1),
                SealForm.Round => (0.98, 1.2),
                _ => (0.84, 1.3)
            };
        var size = Math.Min(tallest * motif.Tall, share * half / motif.Width);
        const double step = 0.03;
        return Raster.PaintSmooth(width, Height, 4, (u, v) =>
        {
            double x = (u - 0.5) * 2 * half, y = (v - 0.5) * 2;
            // The edge of soft clay is never quite straight.
            var wobble = (noise.Smooth(u, v, 5, 4, 3) - 0.5) * 0.05;
            var inside = Inside(form, x / half, y, half) + wobble;
            if (inside <= 0) return clay.WithAlpha(0);
            double At(double px, double py) =>
                Relief(Inside(form, px / half, py, half) + wobble, motif.Distance(px / size, py / size), motif.Stroke);
            var slope = ((At(x + step, y) - At(x - step, y)) * 0.62) + ((At(x, y + step) - At(x, y - step)) * 0.78);
            var grain = 0.94 + (noise.Cloud(u, v, 8, 3, 9) * 0.12);
            // Wash was rubbed in and wiped off: it stays where the field lies deep, and what stands up is bare.
            var raised = 1 - Noise.Step(motif.Stroke - 0.02, motif.Stroke + 0.03, motif.Distance(x / size, y / size));
            var field = Noise.Step(0.08, 0.2, inside);
            var washed = Noise.Mix(0.9, Noise.Mix(0.42, 1.36, raised), field);
            return clay.Lit(Math.Clamp((1 - (slope * Press)) * grain, 0.5, 1.45) * washed);
        });
    }

    /// <summary>How high the clay stands: a rolled edge around a sunken field, and the mark that rises from it.</summary>
    private static double Relief(double inside, double mark, double stroke)
    {
        var edge = 0.26 * (1 - Noise.Step(0.06, 0.24, inside)) * Noise.Step(0, 0.05, inside);
        return edge + (0.3 * (1 - Noise.Step(stroke - 0.03, stroke + 0.04, mark)));
    }

    /// <summary>How deep a point lies inside the form; 0 and less outside. Half a height is 1.</summary>
    private static double Inside(SealForm form, double x, double y, double half) => form switch
    {
        SealForm.Oval => (0.97 - Math.Sqrt((x * x) + (y * y))) * 0.96,
        SealForm.Round => 0.95 - Math.Sqrt((x * x * half * half) + (y * y)),
        SealForm.Lozenge => (0.95 - Math.Abs(x) - (Math.Abs(y) * 0.95)) * 0.72,
        _ =>
            0.94 - Math.Max(Math.Max((Math.Abs(x) * half) - half + 1, Math.Abs(y)), ((Math.Abs(x) * half) - half + 1 + Math.Abs(y)) * 0.62),
    };
}
