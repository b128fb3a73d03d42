using System.Text;
using Underlay.Core.Renames;

namespace Underlay.Core.Tests.Renames;

/// <summary>An entry leaves the pack with what is its own, and with nothing else.</summary>
public class EntryRemovalTests
{
    private static readonly APack Cups = APack.Of()
        .WithWare("tide_cup")
        .With(
            "wares/tide_cup/ware.json",
            """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "stall": "400" }""")
        .With("art/stalls/400.png", Picture.Of(96, 72))
        .WithWare("tide_mug");

    private static APack After(APack pack, string path)
    {
        var plan = EntryRemoval.Plan(pack.Check().Overlay!, PackPath.Parse(path));
        Assert.Null(plan.Problem);
        return new APack(pack.Tree.With(plan.Edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    [Fact]
    public void Its_pictures_its_numbered_picture_and_its_texts_go_along()
    {
        Assert.Empty(Cups.Faults());
        var after = After(Cups, "wares/tide_cup/ware.json");
        Assert.Empty(after.Faults());
        Assert.DoesNotContain(
            after.Files.Keys,
            f => f.Contains("tide_cup", StringComparison.Ordinal) || f.Contains("400", StringComparison.Ordinal));
        var texts = Encoding.UTF8.GetString(after.Files["texts/pack.csv"]);
        Assert.DoesNotContain("tide_cup", texts, StringComparison.Ordinal);
        Assert.Contains("saltbrook.tide_mug/name", texts, StringComparison.Ordinal);
    }

    [Fact]
    public void What_lay_over_the_bases_shows_the_bases_again()
    {
        var pack = APack.Of().With("wares/milk_jug/ware.json", SmallBase.Ware("moor.milk_jug", price: "99"));
        var plan = EntryRemoval.Plan(pack.Check().Overlay!, PackPath.Parse("wares/milk_jug/ware.json"));
        Assert.Equal("taken out; the host’s own shows again", Assert.Single(plan.Lines).Says);
        Assert.Empty(After(pack, "wares/milk_jug/ware.json").Faults());
    }

    [Fact]
    public void The_hosts_own_entry_cannot_be_taken_out() =>
        Assert.NotNull(EntryRemoval.Plan(APack.Of().Check().Overlay!, PackPath.Parse("wares/milk_jug/ware.json")).Problem);
}
