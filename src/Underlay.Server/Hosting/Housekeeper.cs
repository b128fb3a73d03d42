using Microsoft.EntityFrameworkCore;
using Underlay.Data;
using Underlay.Data.Blobs;
using Underlay.Data.Packs;
using Underlay.Server.Packs;

namespace Underlay.Server.Hosting;

/// <summary>What was let go of.</summary>
/// <param name="Packs">That were in the bin for long enough.</param>
/// <param name="Blobs">That nothing refers to.</param>
internal sealed record LetGo(int Packs, int Blobs);

/// <summary>Lets go of what nothing needs any more: at the start, and every hour.</summary>
internal sealed class Housekeeper(
    IDbContextFactory<UnderlayDatabase> databases,
    DatabaseWatch watch,
    TimeProvider clock,
    ILogger<Housekeeper> logger) : BackgroundService
{
    /// <summary>How long a job that has ended is kept with its result.</summary>
    public static readonly TimeSpan JobsStay = TimeSpan.FromDays(30);

    private static readonly TimeSpan Every = TimeSpan.FromHours(1);

    /// <summary>Lets go of packs in the bin, of ended jobs and keys of writes past their time, and of bytes that are left.</summary>
    public async Task<LetGo> TidyAsync(CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var (binned, ended, written) = (now - BinEndpoints.Stay, now - JobsStay, now - WriteKeys.Stay);
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var packs = await PackBin.EmptyAsync(database, binned, cancel).ConfigureAwait(false);
        await database.Jobs.Where(j => j.EndedAt < ended).ExecuteDeleteAsync(cancel).ConfigureAwait(false);
        await database.Writes.Where(w => w.At < written).ExecuteDeleteAsync(cancel).ConfigureAwait(false);
        return new LetGo(packs, await BlobStore.LetGoAsync(database, cancel).ConfigureAwait(false));
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        do
        {
            try
            {
                await TidyAsync(stoppingToken).ConfigureAwait(false);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                if (!watch.Notes(problem)) Log.Stumbled(logger, "Tidying the database", problem);
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken).ConfigureAwait(false));
    }
}
