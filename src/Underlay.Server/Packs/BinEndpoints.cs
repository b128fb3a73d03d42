using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Underlay.Data;
using Underlay.Data.Operations;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>A pack in the bin.</summary>
/// <param name="GoneAt">When it goes for good.</param>
internal sealed record BinnedPack(Guid Id, string Title, int Files, DateTimeOffset BinnedAt, DateTimeOffset GoneAt);

/// <summary>Packs that were deleted: they stay for a while, whole, and can be restored.</summary>
internal static class BinEndpoints
{
    /// <summary>How long a pack stays in the bin.</summary>
    public static readonly TimeSpan Stay = TimeSpan.FromDays(30);

    public static void MapBin(this IEndpointRouteBuilder app)
    {
        app.MapDelete("/api/packs/{id:guid}", BinAsync).WithName("binPack");
        app.MapGet("/api/bin", ListAsync).WithName("listBin");
        app.MapPost("/api/bin/{id:guid}/restoration", RestoreAsync).WithName("restorePack");
    }

    private static async Task<NoContent> BinAsync(
        Guid id,
        UnderlayDatabase database,
        PackService packs,
        TimeProvider clock,
        CancellationToken cancel)
    {
        if (!await MoveAsync(id, clock.GetUtcNow(), database, cancel).ConfigureAwait(false)) throw ProblemException.NoPack();
        packs.Forget(id);
        return TypedResults.NoContent();
    }

    private static async Task<IReadOnlyList<BinnedPack>> ListAsync(UnderlayDatabase database, CancellationToken cancel)
    {
        var packs = await database.Packs.AsNoTracking()
            .Where(p => p.BinnedAt != null)
            .OrderByDescending(p => p.BinnedAt)
            .Select(p => new { Pack = p, Files = database.PackFiles.Count(f => f.PackId == p.Id) })
            .ToListAsync(cancel).ConfigureAwait(false);
        return [.. packs.Select(p => new BinnedPack(
            p.Pack.Id,
            TitleOf(p.Pack.Summary) ?? p.Pack.Name,
            p.Files,
            p.Pack.BinnedAt!.Value,
            p.Pack.BinnedAt.Value + Stay))];
    }

    private static async Task<NoContent> RestoreAsync(Guid id, UnderlayDatabase database, CancellationToken cancel) =>
        await MoveAsync(id, null, database, cancel).ConfigureAwait(false) ? TypedResults.NoContent() : throw ProblemException.NoPack();

    /// <summary>
    /// Puts a pack into the bin or takes it out, and tells the pages that show it. One that is there already stays as it is.
    /// </summary>
    private static async Task<bool> MoveAsync(Guid id, DateTimeOffset? at, UnderlayDatabase database, CancellationToken cancel)
    {
        var revision = await database.Packs
            .Where(p => p.Id == id)
            .Select(p => (long?)p.Revision)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        if (revision is null) return false;
        await database.Packs
            .Where(p => p.Id == id && (p.BinnedAt == null) == (at != null))
            .ExecuteUpdateAsync(p => p.SetProperty(x => x.BinnedAt, at), cancel).ConfigureAwait(false);
        var tells = $"{id}:{revision}";
        await database.Database
            .ExecuteSqlAsync($"SELECT pg_notify({OperationLog.Channel}, {tells})", cancel).ConfigureAwait(false);
        return true;
    }

    private static string? TitleOf(string? summary) => KeptSummary.Read(summary)?.Summary.Title;
}
