using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Data.Facts;

namespace Underlay.Data.Packs;

/// <summary>Reads the trees of packs; bytes are read when they are asked for.</summary>
public sealed class PackReader(NpgsqlDataSource source, IDbContextFactory<UnderlayDatabase> databases, FactsStore store)
{
    /// <summary>The pack's files and its revision, or null when there is no such pack.</summary>
    public async Task<(FileTree Tree, long Revision)?> OpenAsync(Guid packId, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        // Files and revision have to be of one moment.
        await using var transaction = await database.Database.BeginTransactionAsync(
            System.Data.IsolationLevel.RepeatableRead,
            cancel).ConfigureAwait(false);
        var revision = await database.Packs
            .Where(p => p.Id == packId)
            .Select(p => (long?)p.Revision)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        if (revision is not { } known) return null;
        var files = await database.PackFiles.AsNoTracking().Where(f => f.PackId == packId).ToListAsync(cancel).ConfigureAwait(false);
        var facts = await store.OfPackAsync(packId, cancel).ConfigureAwait(false);
        return (
            FileTree.Of(
                BlobBatch.Files(
                    source,
                    files.Select(f => (PackPath.Parse(f.Path), ContentHash.Parse(f.Hash), f.Length)).OrderBy(f => f.Item1),
                    facts)),
            known);
    }

    /// <summary>
    /// The pack's files as they were at a revision; null when there is no such pack, or it has not come to that revision.
    /// </summary>
    public async Task<FileTree?> OpenAtAsync(Guid packId, long revision, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        await using var transaction = await database.Database.BeginTransactionAsync(
            System.Data.IsolationLevel.RepeatableRead,
            cancel).ConfigureAwait(false);
        var now = await database.Packs
            .Where(p => p.Id == packId)
            .Select(p => (long?)p.Revision)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false);
        if (now is null || now < revision) return null;
        var files = await database.PackFiles
            .AsNoTracking()
            .Where(f => f.PackId == packId)
            .ToDictionaryAsync(f => f.Path, f => (f.Hash, f.Length), StringComparer.Ordinal, cancel).ConfigureAwait(false);
        var since = await (
            from operation in database.Operations
            where operation.PackId == packId && operation.Revision > revision
            from row in operation.Rows
            join blob in database.Blobs on row.HashBefore equals blob.Hash into blobs
            from blob in blobs.DefaultIfEmpty()
            orderby operation.Revision
            select new { row.Path, row.HashBefore, Length = blob == null ? 0 : blob.Length }).ToListAsync(cancel).ConfigureAwait(false);
        // What the first change since then found is what was there.
        foreach (var first in since.DistinctBy(r => r.Path))
        {
            if (first.HashBefore is null) files.Remove(first.Path);
            else files[first.Path] = (first.HashBefore, first.Length);
        }

        return FileTree.Of(
            BlobBatch.Files(
                source,
                files.Select(f => (PackPath.Parse(f.Key), ContentHash.Parse(f.Value.Hash), f.Value.Length)).OrderBy(f => f.Item1)));
    }

    /// <summary>The edits that lead from one revision to the newest, one for each path.</summary>
    public async Task<(IReadOnlyList<TreeEdit> Edits, long Revision)> SinceAsync(
        Guid packId,
        FileTree tree,
        long revision,
        CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var rows = await (
            from operation in database.Operations
            where operation.PackId == packId && operation.Revision > revision
            from row in operation.Rows
            join blob in database.Blobs on row.HashAfter equals blob.Hash into blobs
            from blob in blobs.DefaultIfEmpty()
            orderby operation.Revision
            select new
            {
                operation.Revision,
                row.Path,
                row.HashAfter,
                Length = blob == null ? 0 : blob.Length,
            }).ToListAsync(cancel).ConfigureAwait(false);
        var last = rows.GroupBy(r => r.Path, StringComparer.Ordinal).Select(g => g.Last()).ToList();
        var gone = last.Where(r => r.HashAfter is null).Select(r => PackPath.Parse(r.Path)).Where(p => tree.Find(p) is not null);
        var there = last
            .Where(r => r.HashAfter is not null)
            .Select(r => (PackPath.Parse(r.Path), ContentHash.Parse(r.HashAfter!), r.Length))
            .OrderBy(r => r.Item1)
            .ToList();
        var facts = await store.OfBlobsAsync(there.Select(r => r.Item2), cancel).ConfigureAwait(false);
        return (
            [
                .. gone.Select(p => new TreeEdit.Delete(p)),
                .. BlobBatch.Files(source, there, facts).Select(f => new TreeEdit.Put(f)),
            ],
            rows.Count == 0 ? revision : rows[^1].Revision);
    }
}
