using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Stacks;

public class OverlayViewTests
{
    private static Overlay Over(APack pack) => pack.Check().Overlay!;

    private static PackPath Path(string text) => PackPath.Parse(text);

    [Fact]
    public void Coverage_counts_overrides_and_additions_of_each_place()
    {
        var pack = APack.Of()
            .With("art/surfaces/flagstone.png", Picture.Of(64, 64))
            .WithSurface("saltbrook_foam", Picture.Of(64, 64))
            .WithWare("saltbrook_cup");
        var coverage = Coverage.Of(Over(pack)).ToDictionary(c => c.Place.Key);
        Assert.Equal((3, 1, 1), (coverage["surfaces"].InBase, coverage["surfaces"].Overrides, coverage["surfaces"].Additions));
        Assert.Equal(
            (3, 0, 1),
            (coverage["surface-descriptors"].InBase, coverage["surface-descriptors"].Overrides, coverage["surface-descriptors"].Additions));
        Assert.Equal((3, 0, 1), (coverage["wares"].InBase, coverage["wares"].Overrides, coverage["wares"].Additions));
    }

    [Fact]
    public void Bring_takes_along_what_has_to_keep_the_size_and_nothing_that_the_pack_has()
    {
        var empty = Over(APack.Of());
        Assert.Equal(
            [(Path("wares/milk_jug/mask.png"), Path("wares/milk_jug/skin.png")), (Path("wares/milk_jug/skin.png"), (PackPath?)null)],
            Bring.Plan(empty, [Path("wares/milk_jug/skin.png")]).Select(b => (b.Path, b.With)));
        Assert.Equal([Path("art/surfaces/water.png")], Bring.Plan(empty, [Path("art/surfaces/water.png")]).Select(b => b.Path));
        Assert.Empty(Bring.Plan(empty, [Path("art/surfaces/nowhere.png")]));

        var holding = Over(APack.Of().With("wares/milk_jug/mask.png", Picture.Mask()));
        Assert.Equal(
            [Path("wares/milk_jug/skin.png")],
            Bring.Plan(holding, [Path("wares/milk_jug/skin.png"), Path("wares/milk_jug/mask.png")]).Select(b => b.Path));
    }

    [Fact]
    public void What_is_brought_has_the_bases_bytes()
    {
        var overlay = Over(APack.Of());
        var tree = overlay.Pack.Tree.With(Bring.Edits(overlay, overlay.Pack.Tree, Bring.Plan(overlay, [Path("art/surfaces/water.png")])));
        Assert.Equal(SmallBase.Files["art/surfaces/water.png"], tree.Find(Path("art/surfaces/water.png"))!.ReadAll());
    }
}
