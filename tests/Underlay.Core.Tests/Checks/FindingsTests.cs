using Underlay.Core.Findings;
using Underlay.Core.Tests.Checks.Mistakes;

namespace Underlay.Core.Tests.Checks;

/// <summary>One pack a mistake: the one finding it makes, its severity and where.</summary>
public class FindingsTests
{
    private const string Stone = SmallBase.Descriptor;
    private static readonly Picture Good = Picture.Of(64, 64);

    private static readonly Lazy<IReadOnlyList<Mistake>> AllMistakes = new(() =>
        [
            .. PackMistakes.All,
            .. PathMistakes.All,
            .. PictureMistakes.All,
            .. CompanionMistakes.All,
            .. EntryMistakes.All,
            .. TableMistakes.All,
            .. SoundMistakes.All,
        ]);

    public static TheoryData<string> Names => [.. AllMistakes.Value.Select(m => m.Name)];

    [Fact]
    public void A_pack_of_nothing_that_the_host_reads_is_a_blocker()
    {
        Assert.Equal(
            ("pack/empty", "", Severity.Blocker),
            Assert.Single(APack.Of().Findings().Select(f => (f.Code.Value, f.Path, f.Severity))));
        Assert.Contains(APack.Of().With("plans.txt", "x").Findings(), f => f is { Code.Value: "pack/empty", Blocks: true });
        // What keeps the only file from being read is told in its place.
        Assert.Equal(["path/near-miss"], APack.Of().With("art/surfaces/flagstne.png", Good).Findings().Select(f => f.Code.Value));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_mistake_is_found_once_where_it_is(string name)
    {
        var mistake = AllMistakes.Value.Single(m => m.Name == name);
        var finding = mistake.Pack.Finding(mistake.Code);
        Assert.Equal((mistake.Code, mistake.Path, mistake.Severity), (finding.Code.Value, finding.Path, finding.Severity));
    }

    [Fact]
    public void Every_check_of_the_engine_has_a_mistake_here_or_a_test_of_its_own() =>
        Assert.Equal(
            [
                // Tested with other editions, a richer base, archives or the other host.
                "edition/renamed", "entry/made-of-old", "entry/off-screen", "entry/outdoes", "entry/unknown-key", "entry/unusual-number",
                "image/colour-bleeds", "index/missing-row", "index/order", "index/other-name", "index/twice", "index/unknown",
                "judge/failed", "manifest/edition", "pack/empty", "pack/rolled-back", "package/damaged", "package/ending",
                "package/too-big",
                "package/unsafe", "path/not-judged", "path/unsafe", "recipe/free-gain", "recipe/nothing-makes", "recipe/out-of-reach",
                "recipe/same-things", "recipe/sold-at-loss", "sound/clipped", "sound/gap", "sound/length", "text/as-original", "text/long",
                "thing/half-changed",
            ],
            CheckList.Codes.Select(c => c.Value).Except(AllMistakes.Value.Select(m => m.Code)).Order());

    [Fact]
    public void A_sound_pack_has_no_findings() =>
        Assert.Empty(Given.Front("front.png").With("front.png", Picture.Filled(320, 200, new Pixel(9, 9, 9, 255)) with { ColourType = 2 })
            .WithSurface(
                "saltbrook_foam",
                Good,
                """{ "made_of": "stone", "edge": "solid", "under": { "surface": "saltbrook_foam", "share": 0.3 } }""")
            .WithWare("tide_cup")
            .Findings());

    [Fact]
    public void An_edition_that_the_pack_does_not_declare_is_a_blocker()
    {
        var finding = Assert.Single(APack.Of().Check(Repository.Kilnmoor.Editions[0]).Findings, f => f.Severity == Severity.Blocker);
        Assert.Equal(("manifest/edition", "/reads/from"), (finding.Code.Value, finding.Pointer));
    }

    [Fact]
    public void A_name_that_no_package_may_hold_is_told_with_its_control_characters_made_visible()
    {
        var tree = FileTree.Of(APack.Of().Tree.Files, [new RefusedName("a\u0007b", PathProblem.ControlCharacter)]);
        var finding = Assert.Single(CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree).Findings);
        Assert.Equal(("path/unsafe", "a\\u0007b"), (finding.Code.Value, finding.Path));
    }

    [Fact]
    public void What_follows_from_a_mistake_is_told_with_it()
    {
        var finding = APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", "{").Finding();
        Assert.Equal("entry/unreadable", finding.Code.Value);
        Assert.Equal(
            ["wares/tide_cup/shelf.png", "wares/tide_cup/skin.png", "wares/tide_cup/ware.json"],
            finding.Predicts.Select(p => p.Path).Order());
        Assert.Contains("also spoils wares/tide_cup/shelf.png, wares/tide_cup/skin.png", finding.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_rejected_entry_has_a_finding_for_each_fault_with_its_pointer_and_line()
    {
        var findings = APack.Of().WithSurface("saltbrook_foam", Good, "{\n  \"edge\": \"loose\" }").Findings();
        Assert.Equal([("", "made_of", null), ("/edge", "", 2)], findings.Select(f => (f.Pointer, f.Discriminator, f.At?.Line)));
    }

    [Fact]
    public void A_wrapped_pack_is_not_judged_further_and_says_what_was_skipped()
    {
        var report = APack.Empty.With("a/b/firing.json", "{").With("a/b/x.txt", "x").Check();
        Assert.Equal("a/b", Assert.Single(report.Findings).Path);
        Assert.Equal(CheckList.Codes.Count - 1, report.Skipped.Count);
    }
}
