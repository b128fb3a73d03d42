using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Stacks;

/// <summary>Entries that take fields over from others, within the pack and across it and the base.</summary>
public class InheritanceTests
{
    private static Overlay Over(APack pack) => pack.Check().Overlay!;

    private static string? Text(Overlay overlay, string path, string field) => overlay.Text(overlay.Shown(PackPath.Parse(path))!, field);

    private static APack Like(string name, string like, string more = "") =>
        APack.Of().With($"wares/{name}/ware.json", $$"""{ "id": "saltbrook.{{name}}", "like": "{{like}}"{{more}} }""");

    [Fact]
    public void Fields_come_from_the_nearest_that_has_them_and_never_those_that_are_excepted()
    {
        var overlay = Over(Like("saltbrook_mug", "moor.big_jug", """, "shape": "bowl" """));
        const string Mug = "wares/saltbrook_mug/ware.json";
        Assert.Equal("bowl", Text(overlay, Mug, "/shape"));
        // big_jug has a price of its own and the rest from milk_jug.
        Assert.Equal("moor.celadon", Text(overlay, Mug, "/glaze"));
        Assert.Null(Text(overlay, Mug, "/stall"));
        Assert.Equal("saltbrook.saltbrook_mug", Text(overlay, Mug, "/id"));
    }

    [Fact]
    public void A_base_entry_takes_over_from_the_packs_where_that_covers_the_bases()
    {
        var overlay = Over(
            APack.Of()
                .With(
                    "wares/milk_jug/ware.json",
                    """
                    {
                      "id": "moor.milk_jug", "shape": "bowl", "made_of": "reed", "price": 1, "stall": "001",
                      "glaze": "moor.celadon"
                    }
                    """));
        Assert.Equal(
            ("bowl", "reed"),
            (Text(overlay, "wares/big_jug/ware.json", "/shape"), Text(overlay, "wares/big_jug/ware.json", "/made_of")));
    }

    [Theory]
    [InlineData("""{ "id": "other.milk_jug", "shape": "jug", "made_of": "clay", "price": 1, "stall": "001" }""", "dangling")]
    [InlineData("""{ "id": "moor.milk_jug", "like": "moor.big_jug", "stall": "001" }""", "circular")]
    public void A_base_entry_that_loses_what_it_takes_over_is_left_out_with_its_pictures(string jug, string code)
    {
        var report = APack.Of().With("wares/milk_jug/ware.json", jug).Check();
        var drops = report.Findings
            .SelectMany(f => f.Predicts)
            .Where(p => p.Kind == PredictionKind.Drop && p.Path.StartsWith("wares/big_jug/", StringComparison.Ordinal))
            .ToDictionary(p => p.Path, p => p.Code);
        Assert.Equal(code, drops["wares/big_jug/ware.json"]);
        Assert.Equal("ownerless", drops["wares/big_jug/shelf.png"]);
    }

    [Fact]
    public void A_stall_number_that_is_given_up_leaves_its_picture_unwanted() =>
        Assert.Contains(
            APack.Of()
                .With(
                    "wares/milk_jug/ware.json",
                    """{ "id": "moor.milk_jug", "shape": "jug", "made_of": "clay", "price": 1, "glaze": "moor.celadon" }""")
                .Findings(),
            f => f.Code.Value == "companion/unwanted" && f.Path == "art/stalls/001.png");

    [Fact]
    public void A_change_to_one_entry_is_seen_in_those_that_take_over_from_it()
    {
        var pack = Like("saltbrook_mug", "saltbrook.saltbrook_cup")
            .WithTexts("saltbrook.saltbrook_mug/name", "saltbrook.saltbrook_mug/about")
            .WithWare("saltbrook_cup")
            .With("wares/saltbrook_mug/shelf.png", Picture.Shelf())
            .With("wares/saltbrook_mug/skin.png", Picture.Of(64, 64));
        var session = CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, pack.Tree);
        Assert.Empty(session.Report.Findings);
        session = session.With(
            [
                new TreeEdit.Write(
                    PackPath.Parse("wares/saltbrook_cup/ware.json"),
                    System.Text.Encoding.UTF8.GetBytes(
                        """{ "id": "saltbrook.saltbrook_cup", "shape": "jug", "made_of": "clay", "price": 1, "glaze": "moor.celadon" }""")),
            ]);
        Assert.Equal(["wares/saltbrook_cup/mask.png", "wares/saltbrook_mug/mask.png"], session.Report.Findings.Select(f => f.Path));
        Assert.All(session.Report.Findings, f => Assert.Equal(Severity.Warning, f.Severity));
    }
}
