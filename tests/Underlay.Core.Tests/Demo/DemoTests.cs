using Underlay.Core.BaseFiles;
using Underlay.Core.Fixes;
using Underlay.Demo;

namespace Underlay.Core.Tests.Demo;

public class DemoTests
{
    private static readonly Dictionary<string, FileTree> Trees = DemoCatalogue.Folders.ToDictionary(f => f.Folder, f => f.Make());

    private static readonly BaseCatalogue Base = BaseCatalogue.Read(Repository.Kilnmoor, Repository.Kilnmoor.Newest, Trees["base/kilnmoor/4.0"]);

    private static CheckReport Check(FileTree tree) => CheckReport.Make(Repository.Kilnmoor, null, _ => Base, tree);

    [Fact]
    public void The_same_bytes_are_made_each_time()
    {
        foreach (var folder in DemoCatalogue.Folders)
        {
            Assert.Equal(
                Trees[folder.Folder].Files.Select(f => (f.Path, ContentHash.Of(f.ReadAll()))),
                folder.Make().Files.Select(f => (f.Path, ContentHash.Of(f.ReadAll()))));
        }
    }

    [Fact]
    public void The_bare_base_has_nothing_wrong_with_it()
    {
        var pack = Trees["base/kilnmoor/4.0"].With([new TreeEdit.Write(Repository.Kilnmoor.Manifest.Path, System.Text.Encoding.UTF8.GetBytes(APack.Manifest))]);
        Assert.DoesNotContain(Check(pack).Findings, f => f.Code.Value is not ("path/no-place" or "pack/unchanged"));
    }

    [Fact]
    public void Moorpaths_is_clean() => Assert.Empty(Check(Trees["packs/moorpaths"]).Findings);

    [Fact]
    public void Each_mistake_of_tidepool_is_found_and_none_that_is_not_there() =>
        Assert.Equal(
            [
                ("path/near-miss", "art/surface/cobble_river.png"),
                ("path/near-miss", "art/surfaces/quay_stone.png.png"),
                ("companion/missing", "art/surfaces/saltbrook_foam.png"),
                ("entry/unreadable", "art/surfaces/saltbrook_mussel.surface.json"),
                ("entry/rejected", "art/surfaces/saltbrook_reef.surface.json"),
                ("companion/ownerless", "art/surfaces/saltbrook_shell.surface.json"),
                ("entry/dangling", "art/surfaces/saltbrook_tideline.surface.json"),
                ("image/not-power-of-two", "art/surfaces/sand_rippled.png"),
                ("image/alpha", "art/surfaces/straw_loose.png"),
                ("image/too-heavy", "front.png"),
                ("path/no-place", "notes.txt"),
                ("image/wrong-size", "wares/broth_bowl/shelf.png"),
                ("entry/dangling", "wares/kelp_bottle/ware.json"),
                ("image/needs-clear-border", "wares/oil_jar/shelf.png"),
                ("image/mask-colours", "wares/salt_crock/mask.png"),
                ("name/prefix", "wares/sea_jar/ware.json"),
                ("entry/misnamed", "wares/tide_bowl/ware.json"),
                ("image/not-a-multiple", "wares/tide_cup/skin.png"),
                ("image/unreadable", "wares/wash_basin/skin.png"),
                ("companion/size-differs", "wares/water_jug/mask.png"),
            ],
            Check(Trees["packs/tidepool"]).Findings.Select(f => (f.Code.Value, f.Path)));

    [Fact]
    public void Fixes_and_mended_files_leave_only_the_note_that_is_no_part_of_the_pack()
    {
        var (tree, applied, _) = FixRunner.Run("tidepool", Trees["packs/tidepool"], Check, Repository.Kilnmoor, []);
        Assert.Equal(3, applied.Count);
        var mended = tree.With(Trees["mended/tidepool"].Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll())));
        Assert.Equal("notes.txt", Assert.Single(Check(mended).Findings).Path);
    }

    [Fact]
    public void Nothing_that_fixes_repair_is_among_the_mended_files()
    {
        var (tree, _, _) = FixRunner.Run("tidepool", Trees["packs/tidepool"], Check, Repository.Kilnmoor, []);
        var added = tree.Files.Select(f => f.Path).Except(Trees["packs/tidepool"].Files.Select(f => f.Path));
        Assert.Empty(added.Intersect(Trees["mended/tidepool"].Files.Select(f => f.Path)));
    }
}
