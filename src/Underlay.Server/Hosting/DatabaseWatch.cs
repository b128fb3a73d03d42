using Underlay.Data;

namespace Underlay.Server.Hosting;

/// <summary>Tells the log that the database does not answer: a line a second at most, however many ask.</summary>
internal sealed class DatabaseWatch(TimeProvider clock, ILogger<DatabaseWatch> logger)
{
    private static readonly TimeSpan Between = TimeSpan.FromSeconds(1);

    private long told = long.MinValue;

    /// <summary>Takes note of a problem; false when it is none of the database being away.</summary>
    public bool Notes(Exception problem)
    {
        if (!DatabaseTrouble.IsAway(problem)) return false;
        var (now, last) = (clock.GetTimestamp(), Interlocked.Read(ref told));
        var isDue = last == long.MinValue || clock.GetElapsedTime(last, now) >= Between;
        if (isDue && Interlocked.CompareExchange(ref told, now, last) == last)
            Log.DatabaseAway(logger, problem.GetBaseException().Message.ReplaceLineEndings(" "));
        return true;
    }

    /// <summary>It answers again.</summary>
    public void Back()
    {
        if (Interlocked.Exchange(ref told, long.MinValue) != long.MinValue) Log.DatabaseBack(logger);
    }
}
