namespace Underlay.Core;

/// <summary>Work on the items of a list on all cores.</summary>
internal static class SideBySide
{
    /// <summary>What a function makes of each item, in the items' order.</summary>
    /// <remarks>
    /// Each core takes the next item when it is done with one: handed out in ranges, items that take long and lie side by side would
    /// all fall to one core. Parallel LINQ would compile its generic machinery anew for each use, which takes longer than the work
    /// does in a small pack.
    /// </remarks>
    public static TResult[] Select<T, TResult>(IReadOnlyList<T> items, Func<T, TResult> make, CancellationToken cancel = default)
    {
        var made = new TResult[items.Count];
        var next = -1;
        var options = new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount };
        Parallel.For(0, Math.Min(made.Length, Environment.ProcessorCount), options, (_, state) =>
        {
            for (int i; !state.ShouldExitCurrentIteration && (i = Interlocked.Increment(ref next)) < made.Length;)
            {
                cancel.ThrowIfCancellationRequested();
                made[i] = make(items[i]);
            }
        });
        return made;
    }
}
