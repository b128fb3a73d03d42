using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Offers;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Images;

public class ShapingAlikeTests
{
    private static readonly string[] Paths = ["art/surfaces/flagstone.png", "art/surfaces/quartz.png", "art/surfaces/setts_dark.png"];

    private static Overlay Over(params Picture[] pictures)
    {
        var pack = APack.Of();
        foreach (var (path, picture) in Paths.Zip(pictures)) pack = pack.With(path, picture);
        return CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, pack.Tree).Overlay!;
    }

    private static List<Placement> PicturesOf(Overlay overlay) => [.. overlay.Pack.Placements.Where(p => Paths.Contains(p.Path.Value))];

    private static IEnumerable<PixelSize> SizesAfter(Overlay overlay, string title)
    {
        var result = ShapingAlike.Add(overlay, PicturesOf(overlay), title);
        Assert.Null(result.Problem);
        var tree = overlay.Pack.Tree.With(result.Edits);
        return Paths.Select(p => PngReader.Inspect(tree.Find(PackPath.Parse(p))!.ReadAll(), PixelNeed.None).Header!.Size);
    }

    [Fact]
    public void Pictures_of_other_shapes_are_each_fitted_in_their_way_and_one_of_the_size_stays()
    {
        var overlay = Over(Picture.Of(64, 64), Picture.Of(66, 66), Picture.Of(70, 66));
        Assert.Contains("Fit to 64 x 64", ShapingAlike.Offers(overlay, PicturesOf(overlay)));
        Assert.All(SizesAfter(overlay, "Fit to 64 x 64"), size => Assert.Equal(new PixelSize(64, 64), size));
        var touched = ShapingAlike.Add(overlay, PicturesOf(overlay), "Fit to 64 x 64").Edits.SelectMany(e => e.Touches);
        Assert.DoesNotContain(PackPath.Parse(Paths[0]), touched);
    }

    [Fact]
    public void What_one_of_them_cannot_be_given_is_not_offered()
    {
        var overlay = Over(Picture.Of(64, 64), Picture.Of(64, 64).With(3, 3, new Pixel(1, 2, 3, 100)), Picture.Of(64, 64));
        var offers = ShapingAlike.Offers(overlay, PicturesOf(overlay));
        Assert.Contains("Make it grey", offers);
        Assert.DoesNotContain("Make every pixel solid or clear", offers);
        Assert.Empty(ShapingAlike.Offers(overlay, []));
        Assert.Contains(
            "does not fit it",
            ShapingAlike.Add(overlay, PicturesOf(overlay), "Make every pixel solid or clear").Problem!,
            StringComparison.Ordinal);
    }

    [Fact]
    public void Steps_that_pictures_have_stay_below_the_new_one()
    {
        var overlay = Over(Picture.Of(66, 66), Picture.Of(66, 66), Picture.Of(66, 66));
        var tree = overlay.Pack.Tree.With(ShapingAlike.Add(overlay, PicturesOf(overlay), "Fit to 64 x 64").Edits);
        overlay = CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree).Overlay!;
        tree = tree.With(ShapingAlike.Add(overlay, PicturesOf(overlay), "Make it grey").Edits);
        foreach (var path in Paths.Select(PackPath.Parse))
            Assert.Equal(["Fit to 64 x 64", "Make it grey"], Shaping.FindSteps(tree, path)!.Value.Steps.Select(s => s.Title));
    }
}
