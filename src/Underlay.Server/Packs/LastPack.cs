using Microsoft.EntityFrameworkCore;
using Underlay.Data;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>Opens the pack that was worked on last as soon as the server runs, so that it is there when its author comes back.</summary>
internal sealed class LastPack(
    IDbContextFactory<UnderlayDatabase> databases,
    PackService packs,
    DatabaseWatch watch,
    ILogger<LastPack> logger) : BackgroundService
{
    /// <summary>The pack of the latest operation that is not in the bin, or null.</summary>
    public static Task<Guid?> FindAsync(UnderlayDatabase database, CancellationToken cancel) =>
        database.Operations
            .Join(database.Packs.Where(p => p.BinnedAt == null), o => o.PackId, p => p.Id, (o, p) => new { o.Id, Pack = (Guid?)p.Id })
            .OrderByDescending(o => o.Id)
            .Select(o => o.Pack)
            .FirstOrDefaultAsync(cancel);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        try
        {
            await using var database = await databases.CreateDbContextAsync(stoppingToken).ConfigureAwait(false);
            if (await FindAsync(database, stoppingToken).ConfigureAwait(false) is { } last)
                await packs.GetAsync(last, stoppingToken).ConfigureAwait(false);
        }
        catch (Exception problem) when (problem is not OperationCanceledException)
        {
            // Whoever asks for it is told.
            if (!watch.Notes(problem)) Log.Stumbled(logger, "Opening the last pack", problem);
        }
    }
}
