namespace Underlay.Demo.Art;

/// <summary>A plain alphabet of strokes, for what is stamped, carved or painted.</summary>
internal static class Letters
{
    // From one letter to the next, in letter heights.
    private const double Advance = 0.92;

    // Points on a grid 4 wide and 6 high, y from the top; strokes are split by spaces.
    private static readonly Dictionary<char, string> Strokes = new()
    {
        ['A'] = "062046 1434",
        ['B'] = "000636454433 0030414233 0333",
        ['C'] = "4130100105163645",
        ['D'] = "00063645413000",
        ['E'] = "40000646 0333",
        ['F'] = "400006 0333",
        ['G'] = "41301001051636454323",
        ['H'] = "0006 4046 0343",
        ['I'] = "2026",
        ['J'] = "4045361605",
        ['K'] = "0006 4003 1346",
        ['L'] = "000646",
        ['M'] = "0600234046",
        ['N'] = "06004640",
        ['O'] = "103041453616050110",
        ['P'] = "06003041423303",
        ['Q'] = "103041453616050110 2446",
        ['R'] = "06003041423303 2346",
        ['S'] = "4130100102134445361605",
        ['T'] = "0040 2026",
        ['U'] = "000516364540",
        ['V'] = "002640",
        ['W'] = "0016233640",
        ['X'] = "0046 4006",
        ['Y'] = "002340 2326",
        ['Z'] = "00400646",
    };

    /// <summary>The distance from a point to the nearest stroke of a text, in letter heights, of points that lie from its middle.</summary>
    /// <param name="text">Capital letters.</param>
    public static Func<double, double, double> Distance(string text)
    {
        var segments = Segments(text).ToArray();
        return (x, y) =>
        {
            var nearest = 9.0;
            foreach (var (x0, y0, x1, y1) in segments) nearest = Math.Min(nearest, ToSegment(x, y, x0, y0, x1, y1));
            return nearest;
        };
    }

    /// <summary>How wide a text is, in letter heights.</summary>
    public static double Width(string text) => text.Length * Advance;

    /// <summary>The distance from a point to a segment.</summary>
    public static double ToSegment(double x, double y, double x0, double y0, double x1, double y1)
    {
        double dx = x1 - x0, dy = y1 - y0, length = (dx * dx) + (dy * dy);
        var t = length == 0 ? 0 : Math.Clamp((((x - x0) * dx) + ((y - y0) * dy)) / length, 0, 1);
        double ex = x - x0 - (t * dx), ey = y - y0 - (t * dy);
        return Math.Sqrt((ex * ex) + (ey * ey));
    }

    private static IEnumerable<(double X0, double Y0, double X1, double Y1)> Segments(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            if (!Strokes.TryGetValue(text[i], out var strokes)) continue;
            var left = ((i - (text.Length / 2.0)) * Advance) + ((Advance - (4 / 6.0)) / 2);
            foreach (var stroke in strokes.Split(' '))
                for (var p = 0; p + 3 < stroke.Length; p += 2)
                    yield return (
                        left + ((stroke[p] - '0') / 6.0),
                        ((stroke[p + 1] - '0') / 6.0) - 0.5,
                        left + ((stroke[p + 2] - '0') / 6.0),
                        ((stroke[p + 3] - '0') / 6.0) - 0.5);
        }
    }
}
