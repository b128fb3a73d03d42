namespace Underlay.Demo.Art;

/// <summary>How the birds of a family are built. Lengths are shares of the picture's height.</summary>
/// <param name="Length">Half the length of the body.</param>
/// <param name="Depth">Half its depth.</param>
/// <param name="Tilt">How upright it sits, in radians.</param>
/// <param name="Head">Radius of the head.</param>
/// <param name="Neck">Length of the neck.</param>
/// <param name="Bill">Length of the bill.</param>
/// <param name="BillDepth">Half its depth at the root.</param>
/// <param name="Hook">How far its tip bends down; below 0 up.</param>
/// <param name="Tail">Length of the tail.</param>
/// <param name="Fork">How deeply it is forked, 0 to 1.</param>
/// <param name="Legs">Length of the legs.</param>
/// <param name="Crest">Length of a crest, or 0.</param>
internal sealed record BirdBuild(
    double Length,
    double Depth,
    double Tilt,
    double Head,
    double Neck,
    double Bill,
    double BillDepth,
    double Hook,
    double Tail,
    double Fork,
    double Legs,
    double Crest)
{
    // Asked for at every point of a picture.
    public double Cos { get; } = Math.Cos(Tilt);

    public double Sin { get; } = Math.Sin(Tilt);

    /// <summary>No part of a sitting bird is further from the body's middle.</summary>
    public double Reach { get; } = Math.Max(
        Length + Tail + Depth,
        Math.Max(
            Length + Depth + (Neck * 1.2) + (Head * 2) + (Bill * (1 + Math.Abs(Hook))) + BillDepth + (Crest * 1.2),
            0.3 + Depth + Legs));
}

/// <summary>What a bird wears.</summary>
/// <param name="Back">Back and head.</param>
/// <param name="Breast">Breast and belly.</param>
/// <param name="Wing">Wing and tail.</param>
/// <param name="Mark">Cap, wing bar or throat, by <paramref name="Pattern"/>.</param>
/// <param name="Bill">Bill and legs.</param>
/// <param name="Pattern">0 cap, 1 mask, 2 throat, 3 collar, 4 hood.</param>
/// <param name="Spots">Whether the breast is spotted.</param>
internal sealed record BirdDress(Tint Back, Tint Breast, Tint Wing, Tint Mark, Tint Bill, int Pattern, bool Spots);

/// <summary>Invented birds, seen from the side.</summary>
internal static class Birds
{
    // How much larger a bird stands on its plate than in the picture of its family.
    private const double Closer = 1.22;

    private static readonly (Tint Middle, Tint Edge) Paper = (Tint.Hex(0xF6F1E2), Tint.Hex(0xE4DCC4));

    /// <summary>A plate: one bird on a twig before paper.</summary>
    public static Raster Plate(int width, int height, int seed, BirdBuild build, BirdDress dress, bool flying = false) =>
        Raster.PaintSmooth(width, height, 2, (u, v) =>
        {
            double x = (u - 0.5) * width / height, y = v - 0.5;
            var paper = Tint.Mix(Paper.Middle, Paper.Edge, Math.Round(((x * x) + (y * y)) * 24) / 24);
            (x, y) = (x / Closer, y / Closer);
            return (flying ? Flight(x, y, build, dress) : Bird(x, y, build, dress)) ?? (flying ? null : Twig(x, y, seed, build)) ?? paper;
        });

    /// <summary>Four states side by side: unseen, heard, seen, nesting.</summary>
    public static Raster Family(int seed, BirdBuild build, BirdDress dress)
    {
        var strip = new Raster(288, 72);
        for (var state = 0; state < 4; state++)
        {
            var kind = state;
            var field = Raster.PaintSmooth(72, 72, 3, (u, v) => State(kind, (u - 0.5) * 1.06, (v - 0.5) * 1.06, seed, build, dress));
            for (var y = 0; y < 72; y++)
                for (var x = 0; x < 72; x++) strip.Set((state * 72) + x, y, field.Get(x, y));
        }

        return strip;
    }

    private static Tint State(int state, double x, double y, int seed, BirdBuild build, BirdDress dress)
    {
        var edge = Math.Max(Math.Abs(x), Math.Abs(y));
        if (edge > 0.5) return new Tint(0, 0, 0, 0);
        var bird = Bird(x, state == 3 ? y + 0.08 : y, build, dress);
        switch (state)
        {
            case 0:
                return bird is null ? new Tint(0, 0, 0, 0) : Tint.Hex(0x8C8F90);
            case 1:
                var arc = Math.Sqrt(Noise.Square(x - 0.2) + Noise.Square(y + 0.28));
                if (bird is null && x > 0.2 && y < 0 && arc is > 0.1 and < 0.26 && arc % 0.08 < 0.03) return Tint.Hex(0xC8742E);
                return bird is null ? new Tint(0, 0, 0, 0) : Tint.Mix(Tint.Hex(0x55606A), bird.Value, 0.22).WithAlpha(1);
            case 2:
                return bird ?? Twig(x, y, seed, build) ?? new Tint(0, 0, 0, 0);
            default:
                var bowl = Math.Sqrt((x * x * 0.7) + Noise.Square(y - 0.12));
                if (y > 0.14 && bowl < 0.33) return Tint.Hex(0x8A6A40).Lit(0.7 + (new Noise(seed).Smooth(x + 1, y * 4, 30, 9) * 0.6));
                return bird ?? new Tint(0, 0, 0, 0);
        }
    }

    private static Tint? Twig(double x, double y, int seed, BirdBuild build)
    {
        var level = 0.16 + (build.Depth * 0.7) + build.Legs;
        // Neither the twig nor its leaves are further off.
        if (Math.Abs(y - level) > 0.15) return null;
        var line = level + (0.05 * Math.Sin((x * 3) + seed));
        var half = 0.016 - (x * 0.008);
        if (Math.Abs(y - line) < half) return Tint.Hex(0x6A4F36).Lit(1.15 - ((y - line + half) * 14));
        for (var i = 0; i < 3; i++)
        {
            double lx = -0.42 + (i * 0.3) + (seed % 5 * 0.02), ly = line - 0.05 + (i % 2 * 0.1);
            double dx = x - lx, dy = y - ly;
            if (Math.Abs((dx * 0.4) + dy) < 0.018 * (1 - Noise.Square(dx / 0.06))) return Tint.Hex(0x7C9A4C).Lit(0.9 + (dy * 4));
        }

        return null;
    }

    private static Tint? Bird(double x, double y, BirdBuild b, BirdDress d)
    {
        // The body lies along a slanted axis; the head is at its upper right end.
        double cos = b.Cos, sin = b.Sin;
        double bx = x, by = y - 0.04;
        if ((bx * bx) + (by * by) > b.Reach * b.Reach) return null;
        double along = (bx * cos) - (by * sin), across = (bx * sin) + (by * cos);
        double hx = ((b.Length * 0.82) + (b.Neck * 0.5)) * cos, hy = -(
            ((b.Length * 0.82) + (b.Neck * 0.5)) * sin) - (b.Depth * 0.55) - (b.Neck * 0.7)
            + 0.04;
        double ex = x - hx, ey = y - hy, head = Math.Sqrt((ex * ex) + (ey * ey)) / b.Head;
        if (Bill(ex, ey, b) is { } edge) return d.Bill.Lit(edge);
        if (Noise.Square(ex - (b.Head * 0.36)) + Noise.Square(ey + (b.Head * 0.16)) < Noise.Square(b.Head * 0.16))
            return Tint.Hex(ex - (b.Head * 0.36) < -0.003 && ey + (b.Head * 0.16) < -0.003 ? 0xF4F4F0u : 0x141416u);
        if (b.Crest > 0 && ex < b.Head * 0.3 && ey < 0)
        {
            var rise = (-ey - (b.Head * 0.7)) / b.Crest;
            if (rise is > 0 and < 1 && Math.Abs(ex + (b.Head * 0.2) + (rise * b.Crest * 0.7)) < b.Head * 0.34 * (1 - rise))
                return d.Mark.Lit(0.85 + (rise * 0.2));
        }

        if (head < 1) return Shade(HeadTint(ex / b.Head, ey / b.Head, d), ex / b.Head, ey / b.Head);
        // Neck: a band from head to shoulder.
        if (b.Neck > 0)
        {
            double sx = b.Length * 0.6 * cos, sy = -(b.Length * 0.6 * sin) + 0.04, nx = hx - sx, ny = hy - sy;
            var t = Math.Clamp((((x - sx) * nx) + ((y - sy) * ny)) / ((nx * nx) + (ny * ny)), 0, 1);
            var off = Math.Sqrt(Noise.Square(x - sx - (t * nx)) + Noise.Square(y - sy - (t * ny)));
            if (off < Noise.Mix(b.Depth * 0.6, b.Head * 0.62, t))
                return Shade(
                    d.Pattern == 3 && t is > 0.45 and < 0.7 ? d.Mark : x - sx - (t * nx) > 0 ? d.Breast : d.Back,
                    off / b.Head * 0.5,
                    0);
        }

        var wing = Noise.Square((along + (b.Length * 0.22)) / (b.Length * 0.78))
            + Noise.Square((across + (b.Depth * 0.18)) / (b.Depth * 0.62));
        if (wing < 1)
        {
            var feather = Math.Abs(((along * 26) + (across * 40)) % 1);
            var bar = along is var a && Math.Abs(a + (b.Length * 0.02)) < b.Length * 0.07 && d.Pattern != 4;
            return (bar ? d.Mark : d.Wing).Lit((feather < 0.16 ? 0.82 : 1) * (1.12 - (wing * 0.25)));
        }

        var body = Noise.Square(along / b.Length) + Noise.Square(across / b.Depth);
        if (body < 1)
        {
            var low = across > b.Depth * (0.02 - (along / b.Length * 0.5));
            var spot = d.Spots
                && low
                && Noise.Square(((along * 30) % 1) - 0.5) + Noise.Square((((across * 30) + Math.Floor(along * 30) * 0.5) % 1) - 0.5) < 0.06;
            return Shade(spot ? d.Mark.Lit(0.8) : low ? d.Breast : d.Back, along / b.Length, across / b.Depth);
        }

        if (along < -b.Length * 0.6 && along > -b.Length - b.Tail)
        {
            var t = (-along - (b.Length * 0.6)) / ((b.Length * 0.4) + b.Tail);
            var half = b.Depth * (0.34 - (t * 0.1));
            var off = Math.Abs(across + (b.Depth * 0.05));
            if (off < half && (b.Fork == 0 || t < 1 - (b.Fork * (1 - (off / half)))))
                return d.Wing.Lit(t > 0.86 ? 0.7 : 0.95 - (off / half * 0.15));
        }

        double foot = 0.16 + (b.Depth * 0.7) + b.Legs, legX = Math.Min(Math.Abs(x + 0.005), Math.Abs(x - 0.055));
        return y > 0 && y < foot && legX < 0.007 ? d.Bill.Lit(0.85) : null;
    }

    private static Tint? Flight(double x, double y, BirdBuild b, BirdDress d)
    {
        double along = x, across = y;
        double ex = x - (b.Length * 0.95), ey = y + 0.01, head = Math.Sqrt((ex * ex) + (ey * ey)) / (b.Head * 0.86);
        if (Bill(ex, ey, b) is { } edge) return d.Bill.Lit(edge);
        if (head < 1) return Shade(HeadTint(ex / b.Head, ey / b.Head, d), ex / b.Head, ey / b.Head);
        // Wings above and below the body, swept back.
        var span = Math.Abs(y) / (b.Length * 1.25);
        var chord = (x + (span * b.Length * 0.5)) / (b.Length * 0.5 * Math.Sqrt(Math.Max(0, 1 - span)));
        var body = Noise.Square(along / b.Length) + Noise.Square(across / (b.Depth * 0.62));
        if (body < 1) return Shade(across > 0 ? d.Breast : d.Back, along / b.Length, across / b.Depth);
        if (span < 1 && Math.Abs(chord) < 1)
        {
            var feather = Math.Abs((y * 34) % 1) < 0.14 && chord < 0.2;
            return (span > 0.82 ? d.Wing.Lit(0.6) : Math.Abs(chord) < 0.16 ? d.Mark : d.Wing).Lit(feather ? 0.8 : 1.08 - (span * 0.2));
        }

        if (along < -b.Length * 0.7 && along > -b.Length - b.Tail)
        {
            var t = (-along - (b.Length * 0.7)) / ((b.Length * 0.3) + b.Tail);
            var half = b.Depth * (0.2 + (t * 0.3));
            if (Math.Abs(y) < half && (b.Fork == 0 || t < 1 - (b.Fork * (1 - (Math.Abs(y) / half))))) return d.Wing.Lit(0.9 - (t * 0.2));
        }

        return null;
    }

    private static double? Bill(double ex, double ey, BirdBuild b)
    {
        var t = (ex - (b.Head * 0.8)) / b.Bill;
        if (t is < 0 or > 1) return null;
        var middle = (b.Hook * t * t * b.Bill) + (b.Head * 0.1);
        var half = b.BillDepth * (1 - Math.Pow(t, 1.4));
        return Math.Abs(ey - middle) > half ? null : Math.Abs(ey - middle) < half * 0.14 ? 0.6 : ey < middle ? 1.1 : 0.86;
    }

    private static Tint HeadTint(double x, double y, BirdDress d) => d.Pattern switch
    {
        0 when y < -0.28 => d.Mark,
        1 when Math.Abs(y + 0.1) < 0.26 && x > -0.7 => d.Mark,
        2 when y > 0.2 && x > -0.5 => d.Mark,
        4 => d.Mark,
        _ => y > 0.45 ? d.Breast : d.Back,
    };

    /// <summary>Light from the upper left over a rounded form.</summary>
    private static Tint Shade(Tint tint, double across, double down) =>
        tint.Lit(Math.Clamp(1.1 - (down * 0.22) - (across * across * 0.12), 0.6, 1.25)).WithAlpha(1);
}
