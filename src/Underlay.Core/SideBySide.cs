namespace Underlay.Core;

/// <summary>Work on the items of a list on all cores.</summary>
internal static class SideBySide
{
    /// <summary>What a function makes of each item, in the items' order.</summary>
    /// <remarks>
    /// Parallel LINQ would do the same; its generic machinery is compiled anew for each use, which takes longer than the work
    /// does in a small pack.
    /// </remarks>
    public static TResult[] Select<T, TResult>(IReadOnlyList<T> items, Func<T, TResult> make, CancellationToken cancel = default)
    {
        var made = new TResult[items.Count];
        var options = new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount };
        Parallel.For(0, made.Length, options, i => made[i] = make(items[i]));
        return made;
    }
}
