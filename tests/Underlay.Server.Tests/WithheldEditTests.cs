using Underlay.Core.Packs;
using Underlay.Data.Operations;

namespace Underlay.Server.Tests;

/// <summary>An edit that is given up when all is ready leaves nothing behind.</summary>
public sealed class WithheldEditTests : IAsyncLifetime
{
    private OwnDatabase database = null!;

    public async ValueTask InitializeAsync() => database = await OwnDatabase.MakeAsync();

    public ValueTask DisposeAsync() => database.DisposeAsync();

    [Fact]
    public async Task Nothing_is_kept_and_its_key_may_be_used_again()
    {
        var key = Guid.NewGuid();
        var asked = new List<long>();
        Assert.IsType<EditOutcome.Withheld>(await ApplyAsync(Plan("a.txt"), key, revision => Says(asked, revision, false)));
        await using (var own = database.CreateDbContext())
            Assert.Equal((0, 0, 0, 0), (own.Operations.Count(), own.PackFiles.Count(), own.Blobs.Count(), own.KeptBlobs.Count()));

        Assert.Equal(new EditOutcome.Applied(1), await ApplyAsync(Plan("a.txt"), key, revision => Says(asked, revision, true)));
        Assert.IsType<EditOutcome.MadeBefore>(await ApplyAsync(Plan("b.txt"), key, revision => Says(asked, revision, true)));
        Assert.Equal([1, 1], asked);
    }

    [Fact]
    public async Task What_cannot_be_kept_is_said_and_nobody_is_asked()
    {
        await ApplyAsync(Plan("a.txt"), null, null);
        var asked = new List<long>();
        Assert.IsType<EditOutcome.Conflict>(await ApplyAsync(Plan("a.txt"), null, revision => Says(asked, revision, false)));
        Assert.IsType<EditOutcome.Collides>(await ApplyAsync(Plan("A.txt"), null, revision => Says(asked, revision, false)));
        Assert.Empty(asked);
    }

    private static Task<bool> Says(List<long> asked, long revision, bool answer)
    {
        asked.Add(revision);
        return Task.FromResult(answer);
    }

    private static EditPlan Plan(string path) =>
        EditPlan.Of(FileTree.Empty, [new TreeEdit.Write(PackPath.Parse(path), "x"u8.ToArray())]);

    private Task<EditOutcome> ApplyAsync(EditPlan plan, Guid? key, Func<long, Task<bool>>? holds) =>
        new OperationLog(database.Source, TimeProvider.System)
            .ApplyAsync(database.Pack, plan, "Write", "test", null, key, default, holds);
}
