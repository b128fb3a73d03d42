using Microsoft.EntityFrameworkCore;
using Underlay.Core.Checks;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Data.Facts;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>What was found in files is kept beside their bytes, so that a pack is opened without looking at them again.</summary>
public sealed class FactsTests : IAsyncLifetime
{
    private OwnDatabase database = null!;

    public async ValueTask InitializeAsync() => database = await OwnDatabase.MakeAsync();

    public ValueTask DisposeAsync() => database.DisposeAsync();

    [Fact]
    public async Task A_pack_is_opened_again_without_its_pictures_being_read()
    {
        await PutAsync(APack.Of()
            .With("wares/milk_jug/shelf.png", Picture.Of(48, 56))
            .With("wares/milk_jug/mask.png", Picture.Mask(64, 128))
            .With("wares/milk_jug/ware.json", "{ \"id\": \"saltbrook.jug\" }"));
        var first = await OpenAsync();
        Assert.NotEmpty(first);
        // Without the bytes themselves, as if nothing but what was kept were there.
        await ForgetPicturesAsync();
        Assert.Equal(first, await OpenAsync());
    }

    [Fact]
    public async Task What_cannot_be_read_back_is_learned_again_and_what_is_gone_is_not_kept()
    {
        await PutAsync(APack.Of().With("art/surfaces/quartz.png", Picture.Of(60, 60)));
        var first = await OpenAsync();
        await using (var own = database.CreateDbContext())
        {
            Assert.Equal(1, await own.Facts.CountAsync());
            await own.Database.ExecuteSqlAsync($"UPDATE facts SET bytes = '\\x01'");
        }

        Assert.Equal(first, await OpenAsync());
        await using var after = database.CreateDbContext();
        await after.Database.ExecuteSqlAsync($"DELETE FROM pack_files; DELETE FROM kept_blobs; DELETE FROM blobs");
        Assert.Equal(0, await after.Facts.CountAsync());
    }

    [Fact]
    public async Task What_is_learned_of_an_edit_before_it_is_carried_out_is_kept_once_it_is()
    {
        var plan = PlanOf(APack.Of().With("art/surfaces/quartz.png", Picture.Of(60, 60)));
        var shelf = new FactsStore(database.Source);
        var planned = new PlannedFiles(plan, FileTree.Empty, database.Source, shelf);
        var tree = FileTree.Empty.With(planned.Edits);
        var before = Lines(CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, tree));
        Assert.NotEmpty(before);
        Assert.False(shelf.HasMore);

        await ApplyAsync(plan);
        planned.AreKept();
        Assert.True(shelf.HasMore);
        await shelf.KeepAsync(default);
        // The bytes were let go of: they are read from the database now.
        Assert.Equal(plan.Blobs.Single(b => b.Hash == Quartz().Hash).Read().ToArray(), Quartz().ReadAll());
        await ForgetPicturesAsync();
        Assert.Throws<EndOfStreamException>(() => Quartz().ReadAll());
        Assert.Equal(before, await OpenAsync());
        TreeFile Quartz() => tree.Find(PackPath.Parse("art/surfaces/quartz.png"))!;
    }

    [Fact]
    public async Task What_was_found_in_a_file_is_known_where_it_comes_to_lie()
    {
        await PutAsync(APack.Of().With($"{ReservedFolder.Tray}/quartz.png", Picture.Of(60, 60)));
        var shelf = new FactsStore(database.Source);
        var (tree, revision) = (await new PackReader(database.Source, database, shelf).OpenAsync(database.Pack, default))!.Value;
        var wanted = new WantedPlace(
            PackPath.Parse($"{ReservedFolder.Tray}/quartz.png"),
            PackPath.Parse("art/surfaces/quartz.png"));
        var placed = Assert.Single(Placing.PlaceAll(Repository.Kilnmoor, Repository.Kilnmoor.Newest, tree, [wanted]));
        var plan = EditPlan.Of(tree, placed.Edits);
        var planned = new PlannedFiles(plan, tree, database.Source, shelf);
        await ForgetPicturesAsync();
        var found = Lines(CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, tree.With(planned.Edits)));
        Assert.Contains(found, f => f.StartsWith("image/not-power-of-two art/surfaces/quartz.png", StringComparison.Ordinal));

        // So it is on another node, which learns of the change from the log.
        await ApplyAsync(plan);
        planned.AreKept();
        await shelf.KeepAsync(default);
        var elsewhere = new PackReader(database.Source, database, new FactsStore(database.Source));
        var (since, next) = await elsewhere.SinceAsync(database.Pack, tree, revision, default);
        Assert.Equal(revision + 1, next);
        Assert.Equal(found, Lines(CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, tree.With(since))));
    }

    private static EditPlan PlanOf(APack pack) =>
        EditPlan.Of(FileTree.Empty, [.. pack.Tree.Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll()))]);

    private Task PutAsync(APack pack) => ApplyAsync(PlanOf(pack));

    private async Task ApplyAsync(EditPlan plan)
    {
        var outcome = await new OperationLog(database.Source, TimeProvider.System)
            .ApplyAsync(database.Pack, plan, "Begin", "test", null, null, default);
        Assert.IsType<EditOutcome.Applied>(outcome);
    }

    /// <summary>Opens the pack as a server that was just started does, and keeps what it learns.</summary>
    private async Task<IReadOnlyList<string>> OpenAsync()
    {
        var shelf = new FactsStore(database.Source);
        var (tree, _) = (await new PackReader(database.Source, database, shelf).OpenAsync(database.Pack, default))!.Value;
        var session = CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, tree);
        await shelf.KeepAsync(default);
        Assert.False(shelf.HasMore);
        return Lines(session);
    }

    private static List<string> Lines(CheckSession session) => [.. session.Report.Findings.Select(f => $"{f.Code} {f.Path}: {f.Message}")];

    private async Task ForgetPicturesAsync()
    {
        await using var own = database.CreateDbContext();
        await own.Database.ExecuteSqlAsync(
            $"DELETE FROM blob_chunks WHERE hash IN (SELECT hash FROM pack_files WHERE path LIKE '%.png')");
    }
}
