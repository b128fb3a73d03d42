namespace Underlay.Core.Images;

/// <summary>
/// Finds the upright edges of a sheet near a column: where neighbouring columns differ over most of their height, and far more
/// than columns around do.
/// </summary>
/// <remarks>Distances in Oklab.</remarks>
public static class SheetEdges
{
    /// <summary>How far from a column edges are looked for, in pixels.</summary>
    public const int Reach = 8;

    private const double Least = 0.035;
    private const double OverUsual = 2.5;
    private const double Most = 0.3;
    private const double Seen = 0.02;

    /// <summary>Where edges lie beside a column, as offsets from it; 0 is an edge just before the column.</summary>
    public static IReadOnlySet<int> Beside(RgbaPicture picture, int column)
    {
        var strength = Enumerable.Range(-Reach * 3, (Reach * 6) + 1)
            .ToDictionary(offset => offset, offset => Strength(picture, column + offset));
        var usual = strength.Values.Order().ElementAt(strength.Count / 2);
        var edges = new HashSet<int>();
        for (var offset = -Reach; offset <= Reach; offset++)
        {
            var here = strength[offset];
            if (here >= Least && here >= usual * OverUsual && here >= strength[offset - 1] && here > strength[offset + 1])
                edges.Add(offset);
        }

        return edges;
    }

    /// <summary>
    /// By how much a sheet's edges beside a column lie off those of a model and off the column itself; 0 where one of them
    /// lies right, or where the sheet has none there.
    /// </summary>
    public static int Shift(IReadOnlySet<int> edges, IReadOnlySet<int> model)
    {
        if (edges.Count == 0 || edges.Contains(0) || edges.Overlaps(model)) return 0;
        var wanted = new HashSet<int>(model) { 0 };
        int Matches(int shift) => edges.Count(e => wanted.Contains(e - shift));
        return Enumerable.Range(-Reach, (Reach * 2) + 1)
            .Where(s => s != 0)
            .OrderByDescending(Matches)
            .ThenByDescending(s => edges.Contains(s))
            .ThenBy(Math.Abs)
            .First();
    }

    /// <summary>How much a column differs from the one before it, over its whole height; 0 where most rows do not.</summary>
    private static double Strength(RgbaPicture picture, int column)
    {
        if (column < 1 || column >= picture.Size.Width) return 0;
        var (sum, rows) = (0.0, 0);
        for (var y = 0; y < picture.Size.Height; y++)
        {
            ReadOnlySpan<byte> left = picture.At(column - 1, y), right = picture.At(column, y);
            if (left.SequenceEqual(right)) continue;
            var distance = Oklab.Of(left[0], left[1], left[2]).DistanceTo(Oklab.Of(right[0], right[1], right[2]))
                + (Math.Abs(left[3] - right[3]) / 255.0);
            sum += Math.Min(Most, distance);
            if (distance > Seen) rows++;
        }

        return rows * 2 < picture.Size.Height ? 0 : sum / picture.Size.Height;
    }
}
