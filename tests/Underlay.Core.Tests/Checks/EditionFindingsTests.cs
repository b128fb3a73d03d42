using Underlay.Core.BaseFiles;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Checks;

/// <summary>What only shows beside other editions, richer bases, or in the other host.</summary>
public class EditionFindingsTests
{
    private static Finding One(IEnumerable<Finding> findings, string code) => findings.Single(f => f.Code.Value == code);

    [Fact]
    public void A_file_of_an_older_edition_is_a_roll_back_and_taken_out_by_its_fix()
    {
        var pack = APack.Of().With("wares/milk_jug/shelf.png", SmallBase.FilesOf("3.1")["wares/milk_jug/shelf.png"]);
        var finding = One(pack.Findings(), "pack/rolled-back");
        Assert.Contains("Kilnmoor 3.1", finding.Message, StringComparison.Ordinal);
        var report = pack.Check();
        Assert.IsType<TreeEdit.Delete>(
            Assert.Single(
                finding.Fix!.Edit(pack.Tree, new Core.Fixes.FixContext("p", Repository.Kilnmoor, report.Edition, report.Overlay))));
    }

    [Fact]
    public void A_size_of_an_older_edition_is_named() =>
        Assert.Contains(
            "48 x 48 was the size in Kilnmoor 3.1",
            One(APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48)).Findings(), "image/wrong-size").Message,
            StringComparison.Ordinal);

    [Fact]
    public void A_path_that_another_edition_reads_says_so()
    {
        var finding = One(
            APack.Of()
                .With("firing.json", APack.Manifest.Replace("4.0", "3.0", StringComparison.Ordinal))
                .With("art/embers/wares/soup_bowl.png", Picture.Of(64, 64))
                .Findings(),
            "path/no-place");
        Assert.Contains("In Kilnmoor 3.1 it is an ember map of a ware", finding.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_name_that_changed_is_renamed_by_its_safe_fix()
    {
        // The small base has no old names; one that has them stands in for 3.1.
        var old = new Dictionary<string, byte[]>(SmallBase.FilesOf("3.1")) { ["art/surfaces/deal.png"] = Picture.Of(32, 32).ToPng() };
        var older = BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Editions[1],
            FileTree.OfBytes(old.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var report = CheckReport.Make(
            Repository.Kilnmoor,
            null,
            e => e.Order == 1 ? older : SmallBase.Of(e),
            APack.Of().With("art/surfaces/deal.png", Picture.Of(64, 64)).Tree);
        var finding = Assert.Single(report.Findings);
        Assert.Equal(
            ("edition/renamed", Severity.Blocker, "Rename to art/surfaces/deal_limed.png"),
            (finding.Code.Value, finding.Severity, finding.Fix!.Title));
        Assert.True(finding.Fix is { LosesNothing: true, LeavesNoChoice: true });
    }

    [Fact]
    public void What_an_entry_refers_to_and_only_another_edition_has_is_named_with_it()
    {
        var old = new Dictionary<string, byte[]>(SmallBase.FilesOf("3.1"))
        {
            ["art/surfaces/flagstone_rust.png"] = Picture.Of(32, 32).ToPng(),
            ["wares/ink_well/ware.json"] = System.Text.Encoding.UTF8.GetBytes(SmallBase.Ware("moor.ink_well")),
        };
        var older = BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Editions[1],
            FileTree.OfBytes(old.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        CheckReport Check(APack pack) =>
            CheckReport.Make(Repository.Kilnmoor, null, e => e.Order == 1 ? older : SmallBase.Of(e), pack.Tree);
        var like = One(
            Check(
                APack.Of()
                    .With("wares/saltbrook_well/ware.json", """{ "id": "saltbrook.saltbrook_well", "like": "moor.ink_well" }""")).Findings,
            "entry/dangling");
        Assert.Contains("Kilnmoor 3.1 has it.", like.Message, StringComparison.Ordinal);

        var pack = APack.Of()
            .WithSurface(
                "saltbrook_foam",
                Picture.Of(64, 64),
                """{ "made_of": "stone", "edge": "solid", "under": { "surface": "flagstone_rust", "share": 0.3 } }""");
        var report = Check(pack);
        var under = One(report.Findings, "entry/dangling");
        Assert.Contains("Kilnmoor 3.1 has it; here it is “flagstone_red”", under.Message, StringComparison.Ordinal);
        var write = Assert.IsType<TreeEdit.Write>(
            Assert.Single(under.Fix!.Edit(pack.Tree, new Core.Fixes.FixContext("p", Repository.Kilnmoor, report.Edition, report.Overlay))));
        Assert.Contains("\"flagstone_red\"", System.Text.Encoding.UTF8.GetString(write.Bytes.Span), StringComparison.Ordinal);
    }

    [Fact]
    public void A_bird_with_another_code_in_this_printing_is_given_it_wherever_it_stands()
    {
        var guide = AGuide.Of().With("plates/a.png", Picture.Of(300, 300)).With("plates/b.png", Picture.Of(300, 300))
            .With(
                "contents.xml",
                "<contents><!-- brbra --><chapter family='brac'><bird  code='brbra'><plate src='plates/a.png' "
                    + "plumage='adult'/></bird><bird x='1' code=\"brbra\"><plate src='plates/b.png' "
                    + "plumage='young'/></bird></chapter></contents>");
        var report = guide.Check();
        Assert.All(
            report.Findings,
            f => Assert.Contains("Wrenfield, first printing has it; here it is “brobr”", f.Message, StringComparison.Ordinal));
        var (tree, applied, _, after) = Core.Mending.FixRunner.Run(
            "p",
            guide.Tree,
            t => CheckReport.Make(Repository.Wrenfield, null, SmallLibrary.Of, t),
            Repository.Wrenfield,
            ["index/unknown"]);
        Assert.Single(applied);
        Assert.Empty(after.Findings);
        var text = System.Text.Encoding.UTF8.GetString(tree.Find(PackPath.Parse("contents.xml"))!.ReadAll());
        Assert.Equal(
            "<contents><!-- brbra --><chapter family='brac'><bird  code='brobr'><plate src='plates/a.png' plumage='adult'/></bird><bird "
                + "x='1' code=\"brobr\"><plate src='plates/b.png' plumage='young'/></bird></chapter></contents>",
            text);
    }

    [Fact]
    public void A_thing_of_which_one_picture_was_changed_is_told_with_what_is_left()
    {
        var finding = One(APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf()).Findings(), "thing/half-changed");
        Assert.Contains("still the base’s: wares/milk_jug/skin.png, art/stalls/001.png", finding.Message, StringComparison.Ordinal);
        var whole = APack.Of()
            .With("wares/milk_jug/shelf.png", Picture.Shelf())
            .With("wares/milk_jug/skin.png", Picture.Of(64, 64))
            .With("art/stalls/001.png", Picture.Of(96, 72));
        Assert.DoesNotContain(whole.Findings(), f => f.Code.Value == "thing/half-changed");
    }

    [Fact]
    public void A_thing_has_its_files_and_a_file_its_things()
    {
        var overlay = APack.Of().Check().Overlay!;
        var things = new Things(overlay);
        var jug = new Thing(Repository.Kilnmoor.Things.Single(t => t.Key == "wares"), "milk_jug");
        Assert.Equal(
            [
                "wares/milk_jug/ware.json",
                "wares/milk_jug/shelf.png",
                "wares/milk_jug/skin.png",
                "wares/milk_jug/mask.png",
                "art/stalls/001.png",
            ],
            things.FilesOf(jug).Select(f => f.Path.Value));
        var stalls = Repository.Kilnmoor.Place("stalls");
        Assert.Equal([jug], things.Of(stalls, Bindings.Of([("nnn", "001")])));
        Assert.Equal(
            ["quay"],
            things
                .Of(Repository.Kilnmoor.Place("awnings"), Bindings.Of([("market", "quay"), ("dawn,noon,lamp", "noon")]))
                .Select(t => t.Name));
    }

    [Fact]
    public void Black_under_the_clear_pixels_of_a_bright_picture_bleeds()
    {
        var black = Picture.Filled(56, 56, new Pixel(250, 240, 200, 255)) with
        {
            At = (x, y) => x is > 9 and < 46 && y is > 9 and < 46 ? new Pixel(250, 240, 200, 255) : new Pixel(0, 0, 0, 0),
        };
        var own = black with { At = (x, y) => black.At(x, y) with { R = 250, G = 240, B = 200 } };
        var files = new Dictionary<string, byte[]>(SmallBase.Files) { ["wares/milk_jug/shelf.png"] = own.ToPng() };
        var catalogue = BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            FileTree.OfBytes(files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var report = CheckReport.Make(
            Repository.Kilnmoor,
            null,
            e => e.Order == 2 ? catalogue : SmallBase.Of(e),
            APack.Of().With("wares/milk_jug/shelf.png", black).Tree);
        Assert.Equal("Spread colours under clear pixels", One(report.Findings, "image/colour-bleeds").Fix!.Title);
    }

    [Fact]
    public void Rows_of_contents_are_judged_each()
    {
        var plate = Picture.Of(300, 300);
        var guide = AGuide.Of().With("plates/a.png", plate).With("plates/b.png", plate).With("plates/c.png", plate)
            .WithContents(
                ("asmor", "adult", "plates/a.png"),
                ("asbra", "adult", "plates/b.png"),
                ("asbra", "adult", "plates/b.png"),
                ("asbrx", "winter", "plates/a.png"),
                ("asbra", "young", "plates/gone.png"));
        Assert.Equal(
            [
                ("index/order", "contents.xml"),
                ("index/unknown", "contents.xml#plates/a.png"),
                ("index/twice", "contents.xml#plates/b.png"),
                ("index/unknown", "contents.xml#plates/gone.png"),
                ("index/missing-row", "plates/c.png"),
            ],
            guide.Findings().Select(f => (f.Code.Value, f.Path)));
        Assert.Contains(
            "“asbra” is near",
            One(guide.Findings().Where(f => f.Path.EndsWith("a.png", StringComparison.Ordinal)), "index/unknown").Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_plate_over_one_of_the_base_without_a_row_is_told_once_and_the_base_shows_its_own()
    {
        var report = AGuide.Of().With("plates/own.png", Picture.Of(300, 300)).Check();
        Assert.Equal("index/missing-row", Assert.Single(report.Findings).Code.Value);
        Assert.True(report.Overlay!.Shown(PackPath.Parse("plates/own.png"))!.Layer.IsBase);
    }

    [Fact]
    public void Tints_of_unknown_plumages_and_beyond_the_screen_are_told()
    {
        var guide = AGuide.Of()
            .With("tints.json", """{ "autumn": { "l": 0.5, "c": 0.1, "h": 40 }, "adult": { "l": 0.6, "c": 0.45, "h": 140 } }""");
        Assert.Equal(
            [("entry/off-screen", Severity.Warning), ("entry/unknown-key", Severity.Blocker)],
            guide.Findings().Select(f => (f.Code.Value, f.Severity)));
    }

    [Theory]
    [InlineData("[guide", "manifest/unreadable")]
    [InlineData("[guide]\nid = \"x\"\n", "manifest/rejected")]
    public void A_manifest_in_TOML_is_judged_like_any_other(string text, string code) =>
        Assert.All(AGuide.Of().With("guide.toml", text).Findings(), f => Assert.Equal(code, f.Code.Value));

    [Fact]
    public void A_value_in_TOML_is_set_and_the_rest_stays_as_it_was()
    {
        var text = System.Text.Encoding.UTF8.GetBytes("# mine\n[guide]\ntitle = \"T\" # keep\nversion = 3\n\n[other]\nversion = 9\n");
        var set = System.Text.Encoding.UTF8.GetString(ManifestFacts.WithValue(Repository.Wrenfield, text, "/guide/version", "4"));
        Assert.Equal("# mine\n[guide]\ntitle = \"T\" # keep\nversion = 4\n\n[other]\nversion = 9\n", set);
    }
}
