using Microsoft.EntityFrameworkCore;
using Underlay.Data;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>Empties the bin of what has been in it for long enough: at the start, and every hour.</summary>
internal sealed class BinKeeper(IDbContextFactory<UnderlayDatabase> databases, TimeProvider clock, ILogger<BinKeeper> logger)
    : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromHours(1);

    /// <summary>Lets packs go that were put into the bin before its time.</summary>
    /// <returns>How many went.</returns>
    public async Task<int> EmptyAsync(CancellationToken cancel)
    {
        var until = clock.GetUtcNow() - BinEndpoints.Stay;
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        return await database.Packs.Where(p => p.BinnedAt < until).ExecuteDeleteAsync(cancel).ConfigureAwait(false);
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, clock);
        do
        {
            try
            {
                await EmptyAsync(stoppingToken).ConfigureAwait(false);
            }
            catch (Exception problem) when (problem is Npgsql.NpgsqlException or DbUpdateException or InvalidOperationException)
            {
                Log.BinNotEmptied(logger, problem);
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken).ConfigureAwait(false));
    }
}
