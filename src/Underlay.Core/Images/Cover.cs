namespace Underlay.Core.Images;

/// <summary>How much of each old pixel a new one covers, along one side; all of it together is 1.</summary>
/// <param name="First">The first old pixel that it covers.</param>
/// <param name="Weights">How much of it and of those after it.</param>
internal readonly record struct Cover(int First, float[] Weights)
{
    /// <summary>For each new pixel of a side, what it covers.</summary>
    public static Cover[] Of(int from, int to)
    {
        var scale = (double)from / to;
        return [.. Enumerable.Range(0, to).Select(i =>
        {
            // Exact where the scale is whole, so that whole factors lose nothing.
            double begin = (double)i * from / to, end = (double)(i + 1) * from / to;
            var first = (int)Math.Floor(begin);
            var last = Math.Min(from - 1, (int)Math.Ceiling(end) - 1);
            var weights = new float[last - first + 1];
            for (var s = first; s <= last; s++) weights[s - first] = (float)((Math.Min(end, s + 1) - Math.Max(begin, s)) / scale);
            return new Cover(first, weights);
        })];
    }
}
