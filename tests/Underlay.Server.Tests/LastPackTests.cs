using Microsoft.EntityFrameworkCore;
using Underlay.Core.Packs;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Server.Packs;

namespace Underlay.Server.Tests;

public class LastPackTests
{
    [Fact]
    public async Task The_pack_that_is_opened_before_anyone_asks_is_the_one_that_was_worked_on_last()
    {
        await using var own = await OwnDatabase.MakeAsync();
        await using var database = own.CreateDbContext();
        Assert.Null(await LastPack.FindAsync(database, default));

        var other = Guid.CreateVersion7();
        database.Packs.Add(new Pack { Id = other, Host = "kilnmoor", Name = "other" });
        await database.SaveChangesAsync();
        var log = new OperationLog(own.Source, TimeProvider.System);
        foreach (var id in new[] { own.Pack, other })
        {
            await WriteAsync(log, id);
            Assert.Equal(id, await LastPack.FindAsync(database, default));
        }

        await database.Packs.Where(p => p.Id == other).ExecuteUpdateAsync(p => p.SetProperty(x => x.BinnedAt, DateTimeOffset.UtcNow));
        Assert.Equal(own.Pack, await LastPack.FindAsync(database, default));
    }

    private static async Task WriteAsync(OperationLog log, Guid pack)
    {
        TreeEdit[] edits = [new TreeEdit.Write(PackPath.Parse("notes.txt"), new byte[] { 1 })];
        var outcome = await log.ApplyAsync(pack, EditPlan.Of(FileTree.Empty, edits), "Write notes", "author", null, null, default);
        Assert.IsType<EditOutcome.Applied>(outcome);
    }
}
