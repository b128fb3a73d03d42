using Underlay.Core.BaseFiles;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Mending;
using Underlay.Demo;

namespace Underlay.Core.Tests.Demo;

public class DemoTests
{
    private static readonly Dictionary<string, FileTree> Trees =
        DemoCatalogue.Folders.ToDictionary(f => f.Folder, f => DemoFiles.Of(f.Folder));

    private static readonly Dictionary<Edition, BaseCatalogue> Bases = new[] { Repository.Kilnmoor, Repository.Wrenfield }
        .SelectMany(h => h.Editions.Select(e => (Edition: e, Base: BaseCatalogue.Read(h, e, Trees[$"base/{h.Key}/{e.Key}"]))))
        .ToDictionary(b => b.Edition, b => b.Base);

    private static CheckReport Check(FileTree tree) => Check(Repository.Kilnmoor, tree);

    private static CheckReport Check(HostProfile host, FileTree tree, string? edition = null) =>
        CheckReport.Make(host, host.FindEdition(edition), e => Bases[e], tree);

    private static IEnumerable<(string, string)> Codes(CheckReport report) => report.Findings.Select(f => (f.Code.Value, f.Path));

    [Theory]
    [InlineData("kilnmoor", "3.0")]
    [InlineData("kilnmoor", "3.1")]
    [InlineData("kilnmoor", "4.0")]
    [InlineData("wrenfield", "1")]
    [InlineData("wrenfield", "2")]
    public void The_bare_base_has_nothing_wrong_with_it(string host, string edition)
    {
        var profile = host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield;
        var manifest = host == "kilnmoor"
            ? APack.Manifest.Replace("4.0", edition, StringComparison.Ordinal)
            : AGuide.Manifest.Replace("printing = 2", $"printing = {edition}", StringComparison.Ordinal);
        var pack = Trees[$"base/{host}/{edition}"].With(
            [new TreeEdit.Write(profile.Manifest.Path, System.Text.Encoding.UTF8.GetBytes(manifest))]);
        // A whole copy is told as that, in one finding.
        Assert.Equal(["pack/unchanged"], Check(profile, pack).Findings.Select(f => f.Code.Value));
    }

    [Theory]
    [InlineData("moorpaths")]
    [InlineData("wintermarket")]
    public void A_clean_pack_has_no_findings(string pack) => Assert.Empty(Codes(Check(Trees[$"packs/{pack}"])));

    [Fact]
    public void Each_mistake_of_tidepool_is_found_and_none_that_is_not_there() =>
        Assert.Equal(
            [
                ("set/incomplete", "art/awnings/quay/lamp.png"),
                ("companion/not-enabled", "art/embers/surfaces/setts_quay.png"),
                ("image/not-grey", "art/embers/wares/salt_crock.png"),
                ("series/canvas", "art/flames/pit/04.png"),
                ("image/crosses-field", "art/friezes/spring.png"),
                ("image/wrong-size", "art/scenes/quay.png"),
                ("pack/rolled-back", "art/scenes/quay.png"),
                ("name/not-listed", "art/seals/saltbrook_tide.png"),
                ("image/fine-lettering", "art/seals/saltbrook_wave.png"),
                ("companion/unwanted", "art/stalls/099.png"),
                ("path/near-miss", "art/surface/setts_quay.png"),
                ("edition/renamed", "art/surfaces/flagstone.png"),
                ("path/near-miss", "art/surfaces/quay_stone.png.png"),
                ("companion/missing", "art/surfaces/saltbrook_foam.png"),
                ("entry/unreadable", "art/surfaces/saltbrook_mussel.surface.json"),
                ("entry/rejected", "art/surfaces/saltbrook_reef.surface.json"),
                ("companion/ownerless", "art/surfaces/saltbrook_shell.surface.json"),
                ("entry/dangling", "art/surfaces/saltbrook_tideline.surface.json"),
                ("image/not-power-of-two", "art/surfaces/sand_rippled.png"),
                ("image/alpha", "art/surfaces/straw_loose.png"),
                ("pack/leftover", "art/surfaces/water_pond_old.png"),
                ("sound/row", "audio/ambience/quay_water.wav"),
                ("sound/rate", "audio/bells/low_1.wav"),
                ("sound/channels", "audio/bells/low_2.wav"),
                ("sound/unreadable", "audio/kiln/door.wav"),
                ("sound/heard", "audio/street/steps.wav"),
                ("sound/row", "audio/tools/saltbrook_shell_tap.wav"),
                ("pack/unchanged", "entries/glazes/olive.json"),
                ("entry/dangling", "entries/glazes/tide.json"),
                ("entry/unused", "entries/glazes/tide.json"),
                ("entry/unreachable", "entries/plans/quay.json"),
                ("recipe/free-gain", "entries/recipes/break_bricks.json"),
                ("entry/dangling", "entries/recipes/tide_cup.json"),
                ("entry/hides-others", "entries/techniques.json"),
                ("entry/made-of-old", "entries/techniques.json"),
                ("entry/not-covered", "entries/towers/quay.json#market_closes"),
                ("image/too-heavy", "front.png"),
                ("path/no-place", "notes.txt"),
                ("table/copied-rows", "tables/seals.csv"),
                ("image/wrong-size", "wares/broth_bowl/shelf.png"),
                ("thing/half-changed", "wares/broth_bowl/shelf.png"),
                ("entry/dangling", "wares/kelp_bottle/ware.json"),
                ("image/alpha-lost", "wares/oil_jar/shelf.png"),
                ("thing/half-changed", "wares/oil_jar/shelf.png"),
                ("companion/outranked", "wares/reed_vase/skin.png"),
                ("image/mask-colours", "wares/salt_crock/mask.png"),
                ("name/prefix", "wares/sea_jar/ware.json"),
                ("recipe/nothing-makes", "wares/sea_jar/ware.json"),
                ("pack/leftover", "wares/thumbs.db"),
                ("entry/misnamed", "wares/tide_bowl/ware.json"),
                ("image/not-a-multiple", "wares/tide_cup/skin.png"),
                ("text/missing", "wares/tide_cup/ware.json#saltbrook.tide_cup/about"),
                ("entry/twice", "wares/tide_tray/ware.json"),
                ("image/unreadable", "wares/wash_basin/skin.png"),
                ("companion/size-differs", "wares/water_jug/mask.png"),
                ("thing/half-changed", "wares/water_jug/shelf.png"),
            ],
            Codes(Check(Trees["packs/tidepool"])));

    [Fact]
    public void Fixes_and_mended_files_leave_only_advice()
    {
        var (tree, applied, _, _) = FixRunner.Run("tidepool", Trees["packs/tidepool"], Check, Repository.Kilnmoor, []);
        Assert.Equal(6, applied.Count);
        var mended = tree.With(Trees["mended/tidepool"].Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll())));
        mended = FixRunner.Run(
            "tidepool",
            mended,
            Check,
            Repository.Kilnmoor,
            ["companion/outranked", "pack/leftover", "pack/unchanged"]).Tree;
        Assert.Equal(
            [("path/no-place", "notes.txt")],
            Check(mended).Findings.Where(f => f.Severity != Severity.Note).Select(f => (f.Code.Value, f.Path)));
    }

    [Fact]
    public void Northern_plates_lack_their_contents_and_are_clean_with_them()
    {
        var pack = Trees["packs/northern-plates"];
        Assert.Equal(60, Check(Repository.Wrenfield, pack).Findings.Single(f => f.Code.Value == "index/missing-row").Parts.Count);
        var mended = pack.With(Trees["mended/northern-plates"].Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll())));
        Assert.Empty(Codes(Check(Repository.Wrenfield, mended)));
        // The first printing knows neither the plumage in flight nor the new codes.
        var first = Check(Repository.Wrenfield, mended, "1").Findings.Where(f => f.Code.Value == "index/unknown").ToList();
        Assert.Contains(first, f => f.Message.Contains("“flight”", StringComparison.Ordinal));
        Assert.Contains(first, f => f.Message.Contains("bird code", StringComparison.Ordinal));
    }

    [Fact]
    public void Nothing_that_fixes_repair_is_among_the_mended_files()
    {
        var (tree, _, _, _) = FixRunner.Run("tidepool", Trees["packs/tidepool"], Check, Repository.Kilnmoor, []);
        var added = tree.Files.Select(f => f.Path).Except(Trees["packs/tidepool"].Files.Select(f => f.Path));
        Assert.Empty(added.Intersect(Trees["mended/tidepool"].Files.Select(f => f.Path)));
    }
}
