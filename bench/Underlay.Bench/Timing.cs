using System.Diagnostics;

namespace Underlay.Bench;

/// <summary>How long something takes.</summary>
internal static class Timing
{
    /// <summary>The middle of several runs, in milliseconds.</summary>
    public static double Middle(int runs, Action run)
    {
        var times = Enumerable.Range(0, runs).Select(_ =>
        {
            var begun = Stopwatch.GetTimestamp();
            run();
            return Stopwatch.GetElapsedTime(begun).TotalMilliseconds;
        });
        return times.Order().ElementAt(runs / 2);
    }
}
