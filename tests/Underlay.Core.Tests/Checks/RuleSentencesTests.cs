using CsCheck;
using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks;

public class RuleSentencesTests
{
    private static List<RuleSentence> Of(APack pack, string path)
    {
        var overlay = pack.Check().Overlay!;
        return [.. RuleSentences.Of(overlay, overlay.Pack.Placements.First(p => p.Path == PackPath.Parse(path)), pack.Findings())];
    }

    [Fact]
    public void A_size_is_told_with_what_is_measured()
    {
        Assert.Contains(
            new RuleSentence("56 x 56", "58 x 56", false),
            Of(APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(58, 56)), "wares/milk_jug/shelf.png"));
        Assert.Contains(
            new RuleSentence("56 x 56", "56 x 56", true),
            Of(APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf()), "wares/milk_jug/shelf.png"));
    }

    [Fact]
    public void Borders_masks_and_companions_are_told()
    {
        var pack = APack.Of()
            .With("wares/milk_jug/shelf.png", Picture.Of(56, 56))
            .With("wares/milk_jug/mask.png", Picture.Of(64, 64))
            .With("art/surfaces/saltbrook_foam.png", Picture.Of(64, 64));
        Assert.Contains(
            new RuleSentence("The outer ring of pixels is clear", "a pixel at 0, 0 is not", false),
            Of(pack, "wares/milk_jug/shelf.png"));
        Assert.Contains(
            Of(pack, "wares/milk_jug/mask.png"),
            s => s is { Wanted: "No green anywhere: body in blue and rim in red", Holds: false });
        Assert.Contains(new RuleSentence("The size of skin.png: 64 x 64", "64 x 64", true), Of(pack, "wares/milk_jug/mask.png"));
        Assert.Contains(
            new RuleSentence("saltbrook_foam.surface.json beside it", "missing", false),
            Of(pack, "art/surfaces/saltbrook_foam.png"));
        Assert.Contains(new RuleSentence("ware.json beside it", "in the base", true), Of(pack, "wares/milk_jug/shelf.png"));
    }

    [Fact]
    public void A_companion_that_the_host_leaves_out_is_told_as_such()
    {
        var pack = APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64), "{ broken");
        Assert.Contains(
            new RuleSentence("saltbrook_foam.surface.json beside it", "left out by the host", false),
            Of(pack, "art/surfaces/saltbrook_foam.png"));
    }

    [Fact]
    public void Whether_a_rule_holds_agrees_with_what_is_found() =>
        Gen.Select(Gen.Int[40, 70], Gen.Int[40, 70], Gen.Bool).Sample((width, height, clear) =>
        {
            var picture = clear ? Picture.Shelf(width, height) : Picture.Of(width, height);
            var pack = APack.Of().With("wares/milk_jug/shelf.png", picture);
            Assert.Equal(
                pack.Findings().Any(f => f.Severity == Severity.Blocker),
                Of(pack, "wares/milk_jug/shelf.png").Any(s => s.Holds == false));
        });
}
