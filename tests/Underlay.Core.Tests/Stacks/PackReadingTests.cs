using Underlay.Core.Manifests;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Stacks;

/// <summary>What of a pack is read anew after a change, and which changes leave its structure as it was.</summary>
public class PackReadingTests
{
    private static readonly FileTree Pack = APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)).WithWare("tide_cup").Tree;

    private static PackReading Read(FileTree tree, PackReading? before = null) =>
        PackReading.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, tree, ManifestFacts.Read(Repository.Kilnmoor, tree), before);

    private static Overlay Lay(PackReading reading) => Overlay.Of(reading, SmallBase.Catalogue);

    private static TreeEdit.Write Write(string path, byte[] bytes) => new(PackPath.Parse(path), bytes);

    public static TheoryData<string, TreeEdit> OtherStructures => new()
    {
        { "a picture that cannot be read", Write("wares/tide_cup/skin.png", [1, 2, 3]) },
        {
            "an entry",
            Write("wares/tide_cup/ware.json", System.Text.Encoding.UTF8.GetBytes(SmallBase.Ware("saltbrook.tide_cup", shape: "bowl")))
        },
        {
            "the manifest",
            Write(
                "firing.json",
                System.Text.Encoding.UTF8.GetBytes(APack.Manifest.Replace("Test", "Other", StringComparison.Ordinal)))
        },
        { "a new file", Write("wares/tide_cup/mask.png", Picture.Mask().ToPng()) },
        { "a file for nobody", Write("notes.txt", [1]) },
        { "a file less", new TreeEdit.Delete(PackPath.Parse("wares/tide_cup/shelf.png")) },
        { "another name", new TreeEdit.Move(PackPath.Parse("wares/tide_cup/shelf.png"), PackPath.Parse("wares/tide_cup/shelv.png")) },
    };

    [Theory]
    [MemberData(nameof(OtherStructures))]
    public void Whatever_else_changes_is_another_structure(string what, TreeEdit edit)
    {
        Assert.NotEmpty(what);
        var before = Read(Pack);
        Assert.False(Lay(before).HasStructureOf(Lay(Read(Pack.With([edit]), before))));
    }

    [Fact]
    public void Another_picture_at_the_same_path_is_not_even_with_its_source_kept()
    {
        var before = Read(Pack);
        var now = Read(
            Pack.With(
                [Write("wares/tide_cup/skin.png", Picture.Of(80, 64).ToPng()), Write(".underlay/sources/wares/tide_cup/skin.png", [1])]),
            before);
        Assert.True(Lay(before).HasStructureOf(Lay(now)));
        Assert.Equal(80, now.Facts[PackPath.Parse("wares/tide_cup/skin.png")].Picture!.Header!.Size.Width);
    }

    [Fact]
    public void Facts_of_files_that_are_the_same_are_taken_over()
    {
        var before = Read(Pack);
        foreach (var edit in OtherStructures.Select(o => o.Data.Item2).Append(Write("wares/tide_cup/skin.png", Picture.Of(80, 64).ToPng())))
        {
            var now = Read(Pack.With([edit]), before);
            var fresh = Read(Pack.With([edit]));
            Assert.Equal(
                fresh.Facts.Select(f => (f.Key, f.Value.Hash)).OrderBy(f => f.Key),
                now.Facts.Select(f => (f.Key, f.Value.Hash)).OrderBy(f => f.Key));
            Assert.Equal(
                fresh.Placements.Select(p => (p.Path, p.Place.Key, p.Facts.Hash)),
                now.Placements.Select(p => (p.Path, p.Place.Key, p.Facts.Hash)));
            Assert.Equal(fresh.Unplaced.Select(f => f.Path), now.Unplaced.Select(f => f.Path));
            var same = PackPath.Parse("art/surfaces/saltbrook_foam.png");
            Assert.Same(before.Facts[same], now.Facts[same]);
        }
    }

    [Fact]
    public void Groups_without_a_changed_picture_are_the_same_objects()
    {
        var before = Lay(Read(Pack));
        var reading = Read(Pack.With([Write("wares/tide_cup/skin.png", Picture.Of(80, 64).ToPng())]), before.Pack);
        var now = Overlay.Of(reading, SmallBase.Catalogue, before: before);
        Assert.Equal(before.Groups.Select(g => g.Key), now.Groups.Select(g => g.Key));
        Assert.Equal(
            ["shelf:name=tide_cup"],
            before.Groups.Zip(now.Groups).Where(p => !ReferenceEquals(p.First, p.Second)).Select(p => p.Second.Key));
        Assert.Equal(80, now.Shown(PackPath.Parse("wares/tide_cup/skin.png"))!.Facts.Picture!.Header!.Size.Width);
    }

    [Fact]
    public void A_picture_that_is_left_out_stays_so_with_its_new_bytes()
    {
        var tree = APack.Of().With("wares/teapot/skin.png", Picture.Of(64, 64)).Tree;
        var before = Lay(Read(tree));
        var now = Overlay.Of(
            Read(tree.With([Write("wares/teapot/skin.png", Picture.Of(80, 64).ToPng())]), before.Pack),
            SmallBase.Catalogue,
            before: before);
        var drop = now.FindDrop(PackPath.Parse("wares/teapot/skin.png"))!;
        Assert.Equal(("ownerless", 80), (drop.Code, drop.Placement.Facts.Picture!.Header!.Size.Width));
    }
}
