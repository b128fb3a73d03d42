using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

/// <summary>What is missing is brought from the base, marked until the author's own comes.</summary>
public class BringTests
{
    [Fact]
    public void The_rest_of_a_set_is_brought_as_placeholders()
    {
        var outcome = Run(APack.Of().With("art/awnings/quay/noon.png", Picture.Of(150, 60)), "set/incomplete");
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Severity == Severity.Blocker);
        var held = PlaceholderFiles.Read(outcome.Tree);
        Assert.Equal(
            ["art/awnings/quay/dawn.png", "art/awnings/quay/lamp.png"],
            held.Keys.Select(k => k.Value).Order(StringComparer.Ordinal));
        Assert.All(held.Values, h => Assert.Equal(ContentHash.Of(SmallBase.Files[h.Path.Value]), h.Hash));
        // What holds a place for others is not told to be taken out as unchanged.
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Code.Value == "pack/unchanged");
    }

    [Fact]
    public void The_rest_of_a_sequence_is_brought()
    {
        var outcome = Run(
            APack.Of().With("art/flames/updraught/02.png", Picture.Of(40, 40)),
            "series/mixed",
            "series/gap",
            "set/incomplete");
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Severity == Severity.Blocker);
        Assert.Equal(4, outcome.Tree.Files.Count(f => f.Path.Value.StartsWith("art/flames/", StringComparison.Ordinal)));
    }

    [Theory]
    [InlineData("shelf.png")]
    [InlineData("skin.png")]
    public void A_picture_that_a_new_ware_lacks_is_held_by_that_of_its_kin(string name)
    {
        var pack = APack.Of().WithWare("tide_jug").Without($"wares/tide_jug/{name}");
        var finding = pack.Findings().Single(f => f.Code.Value == "companion/missing");
        Assert.Equal($"Hold the place with wares/milk_jug/{name}", finding.Fix!.Title);
        var outcome = Run(pack, "companion/missing");
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Severity == Severity.Blocker);
        Assert.Equal(PackPath.Parse($"wares/tide_jug/{name}"), Assert.Single(PlaceholderFiles.Read(outcome.Tree)).Key);
    }

    [Fact]
    public void A_placeholder_ends_when_the_author_s_own_comes()
    {
        var tree = Run(APack.Of().WithWare("tide_jug").Without("wares/tide_jug/shelf.png"), "companion/missing").Tree;
        var path = PackPath.Parse("wares/tide_jug/shelf.png");
        Assert.Equal(PlaceholderFiles.Read(tree)[path].Hash, ContentHash.Of(tree.Find(path)!.ReadAll()));
        var own = tree.With([new TreeEdit.Write(path, Picture.Shelf().ToPng())]);
        Assert.NotEqual(PlaceholderFiles.Read(own)[path].Hash, ContentHash.Of(own.Find(path)!.ReadAll()));
    }

    [Fact]
    public void A_mask_that_is_brought_has_the_size_of_its_skin()
    {
        var pack = APack.Of()
            .With(
                "wares/tide_jug/ware.json",
                """{ "id": "saltbrook.tide_jug", "shape": "jug", "made_of": "clay", "price": 4, "glaze": "moor.celadon" }""")
            .With("wares/tide_jug/shelf.png", Picture.Shelf()).With("wares/tide_jug/skin.png", Picture.Of(128, 64));
        var outcome = Run(pack, "companion/missing");
        var mask = PngReader.Inspect(outcome.Tree.Find(PackPath.Parse("wares/tide_jug/mask.png"))!.ReadAll(), PixelNeed.Colours);
        Assert.Equal(new PixelSize(128, 64), mask.Header!.Size);
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Path == "wares/tide_jug/mask.png" && f.Severity == Severity.Blocker);
    }

    [Fact]
    public void Taking_the_pack_s_files_away_lets_their_marks_go()
    {
        var tree = Run(APack.Of().With("art/awnings/quay/noon.png", Picture.Of(150, 60)), "set/incomplete").Tree;
        var gone = tree.With([new TreeEdit.Delete(PackPath.Parse("art/awnings/quay/dawn.png"))]);
        var more = new PlaceholderFile(PackPath.Parse("art/awnings/quay/noon.png"), ContentHash.Of([1]), "x");
        Assert.Equal(
            ["art/awnings/quay/lamp.png", "art/awnings/quay/noon.png"],
            PlaceholderFiles.Read(gone.With(PlaceholderFiles.Add(gone, [more]).Edits))
                .Keys
                .Select(k => k.Value)
                .Order(StringComparer.Ordinal));
    }
}
