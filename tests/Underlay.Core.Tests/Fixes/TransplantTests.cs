using System.Text;
using Underlay.Core.Decisions;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Mending;
using Underlay.Core.Renames;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Fields of one entry in another, with the pictures that they want.</summary>
public class TransplantTests
{
    private static readonly PackPath Jug = PackPath.Parse("wares/tide_jug/ware.json");
    private static readonly PackPath Milk = PackPath.Parse("wares/milk_jug/ware.json");

    private static APack Pack => APack.Of().WithWare("tide_jug").With("wares/tide_jug/skin.png", Picture.Of(128, 64));

    private static (EntryPlan Plan, FileTree After) Take(APack pack, PackPath from, params string[] pointers)
    {
        var report = pack.Check();
        var context = new FixContext("pack", Repository.Kilnmoor, report.Edition, report.Overlay);
        var plan = FieldCopy.Plan(report.Overlay!, context, Jug, from, pointers);
        return (plan, pack.Tree.With(plan.Edits));
    }

    [Fact]
    public void A_field_brings_the_picture_that_it_wants_at_the_size_of_the_skin_and_marked_as_still_to_be_made()
    {
        var (plan, after) = Take(Pack, Milk, "/glaze");
        Assert.Null(plan.Problem);
        var mask = PackPath.Parse("wares/tide_jug/mask.png");
        Assert.Equal("moor.celadon", JsonText.Parse(after.Find(Jug)!.ReadAll()).FindString("/glaze"));
        Assert.Equal(new PixelSize(128, 64), PngReader.Inspect(after.Find(mask)!.ReadAll(), PixelNeed.Colours).Header!.Size);
        Assert.Equal(mask, Assert.Single(PlaceholderFiles.Read(after)).Key);
        Assert.Equal(["wares/tide_jug/ware.json", "wares/tide_jug/mask.png"], plan.Lines.Select(l => l.Path.Value));
    }

    [Fact]
    public void The_author_s_own_picture_stays()
    {
        var own = Picture.Of(128, 64).ToPng();
        var (_, after) = Take(Pack.With("wares/tide_jug/mask.png", own), Milk, "/glaze");
        Assert.Equal(own, after.Find(PackPath.Parse("wares/tide_jug/mask.png"))!.ReadAll());
    }

    [Fact]
    public void A_field_that_wants_nothing_brings_nothing_and_all_else_stays_as_it_was_written()
    {
        const string Written = "{ \"id\": \"saltbrook.tide_jug\",\n\t\"shape\": \"jug\", \"made_of\": \"clay\", \"price\":   7.0 }";
        var (_, after) = Take(Pack.With(Jug.Value, Written), Milk, "/price");
        var price = JsonText.Parse(Encoding.UTF8.GetBytes(SmallBase.Ware("moor.milk_jug"))).Find("/price")!.Value.GetRawText();
        Assert.Equal(Written.Replace("7.0", price, StringComparison.Ordinal), Encoding.UTF8.GetString(after.Find(Jug)!.ReadAll()));
        Assert.Equal(Pack.Tree.Files.Count, after.Files.Count);
    }

    [Fact]
    public void What_the_other_lacks_is_taken_away()
    {
        var ware = """{ "id": "saltbrook.tide_jug", "shape": "jug", "made_of": "clay", "price": 7, "weight_g": 12 }""";
        var (_, after) = Take(Pack.With(Jug.Value, ware), Milk, "/weight_g");
        Assert.Null(JsonText.Parse(after.Find(Jug)!.ReadAll()).Find("/weight_g"));
    }

    [Fact]
    public void Entries_of_another_kind_and_broken_ones_are_refused()
    {
        var glaze = PackPath.Parse("entries/glazes/celadon.json");
        Assert.Contains("no entry of the same kind", Take(Pack, glaze, "/id").Plan.Problem, StringComparison.Ordinal);
        // An id, a stall number and what would stand inside of a number are none that can be taken.
        foreach (var pointer in new[] { "/id", "/stall", "/price/whole", "price", "" })
            Assert.Contains("can take from another", Take(Pack, Milk, pointer).Plan.Problem, StringComparison.Ordinal);
        var broken = Pack.With(Jug.Value, "{ nothing");
        Assert.Contains("has to be mended first", Take(broken, Milk, "/glaze").Plan.Problem, StringComparison.Ordinal);
    }
}
