using Microsoft.EntityFrameworkCore;

namespace Underlay.Data.Packs;

/// <summary>The packs that were deleted and can be restored.</summary>
public static class PackBin
{
    /// <summary>Lets go for good of the packs that came into the bin before a time, with all that is theirs but bytes.</summary>
    /// <returns>How many packs went.</returns>
    public static async Task<int> EmptyAsync(UnderlayDatabase database, DateTimeOffset before, CancellationToken cancel)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancel).ConfigureAwait(false);
        // Held before their files are looked for, so that no edit brings more of them meanwhile.
        var packs = await database.Database
            .SqlQuery<Guid>($"SELECT id AS \"Value\" FROM packs WHERE binned_at < {before} FOR UPDATE")
            .ToListAsync(cancel).ConfigureAwait(false);
        await database.PackFiles.Where(f => packs.Contains(f.PackId)).ExecuteDeleteAsync(cancel).ConfigureAwait(false);
        await database.KeptBlobs.Where(k => packs.Contains(k.PackId)).ExecuteDeleteAsync(cancel).ConfigureAwait(false);
        await database.Packs.Where(p => packs.Contains(p.Id)).ExecuteDeleteAsync(cancel).ConfigureAwait(false);
        await transaction.CommitAsync(cancel).ConfigureAwait(false);
        return packs.Count;
    }
}
