using Underlay.Data.Facts;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>Keeps in the database what files were found to be, so that the next server need not look at them again.</summary>
internal sealed class FactsKeeper(
    FactsStore store,
    DatabaseWatch watch,
    TimeProvider clock,
    ILogger<FactsKeeper> logger) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken).ConfigureAwait(false))
        {
            try
            {
                if (store.HasMore) await store.KeepAsync(stoppingToken).ConfigureAwait(false);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                // What was on its way is learned again when it is asked for.
                if (!watch.Notes(problem)) Log.Stumbled(logger, "Keeping facts", problem);
            }
        }
    }
}
