using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Underlay.Core.Packs;
using Underlay.Data.Operations;
using Underlay.Data.Packs;

namespace Underlay.Server.Tests;

/// <summary>Databases of earlier versions keep what is in them.</summary>
public sealed class MigrationTests : IAsyncLifetime
{
    private OwnDatabase database = null!;

    public async ValueTask InitializeAsync() => database = await OwnDatabase.MakeAsync();

    public ValueTask DisposeAsync() => database.DisposeAsync();

    [Fact]
    public async Task A_log_whose_rows_lay_in_a_table_is_the_same_afterwards()
    {
        var log = new OperationLog(database.Source, TimeProvider.System);
        async Task EditAsync(FileTree tree, params TreeEdit[] edits) =>
            Assert.IsType<EditOutcome.Applied>(
                await log.ApplyAsync(database.Pack, EditPlan.Of(tree, edits), "Edit", "test", null, null, default));
        await EditAsync(FileTree.Empty, Write("a.txt", 1), Write("B.txt", 2), Write("deep/c.txt", 1));
        await EditAsync((await OpenAsync())!, Write("a.txt", 3), new TreeEdit.Delete(PackPath.Parse("B.txt")));
        var (rows, kept, begun) = (await RowsAsync(), await KeptAsync(), await LinesAsync(1));
        Assert.Equal(5, rows.Count);
        Assert.Equal(3, kept.Count);
        Assert.Equal(3, begun.Count);

        await using (var own = database.CreateDbContext())
        {
            var migrator = own.GetService<IMigrator>();
            await migrator.MigrateAsync("OneReference");
            Assert.Equal(rows, await RowsAsync());
            await migrator.MigrateAsync();
        }

        Assert.Equal(rows, await RowsAsync());
        Assert.Equal(kept, await KeptAsync());
        Assert.Equal(begun, await LinesAsync(1));
        Assert.IsType<EditOutcome.Applied>(await log.UndoAsync(database.Pack, "test", null, null, default));
        Assert.Equal(begun, await LinesAsync(3));
    }

    private static TreeEdit.Write Write(string path, byte what) => new(PackPath.Parse(path), new[] { what });

    private async Task<List<string>> RowsAsync()
    {
        await using var own = database.CreateDbContext();
        return await own.OperationRows
            .OrderBy(r => r.OperationId)
            .ThenBy(r => r.Path)
            .Select(r => $"{r.OperationId} {r.Path} {r.HashBefore} {r.HashAfter}")
            .ToListAsync();
    }

    private async Task<List<string>> KeptAsync()
    {
        await using var own = database.CreateDbContext();
        return await own.KeptBlobs.OrderBy(k => k.Hash).Select(k => $"{k.PackId} {k.Hash}").ToListAsync();
    }

    private async Task<FileTree?> OpenAsync(long? revision = null)
    {
        var reader = new PackReader(database.Source, database, new Data.Facts.FactsStore(database.Source));
        return revision is { } at
            ? await reader.OpenAtAsync(database.Pack, at, default)
            : (await reader.OpenAsync(database.Pack, default))!.Value.Tree;
    }

    private async Task<List<string>> LinesAsync(long revision) =>
        [.. (await OpenAsync(revision))!.Files.Select(f => $"{f.Path} {f.Hash} {f.Length}")];
}
