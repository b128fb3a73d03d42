using Underlay.Core.BaseFiles;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;
using Underlay.Demo;

namespace Underlay.Core.Tests.Placements;

/// <summary>
/// What the tray calls sure is right: a path's own place goes before names, and the author's own work is never replaced unseen.
/// </summary>
public class NeverSureAndWrongTests
{
    private static readonly BaseCatalogue Birds = BaseCatalogue.Read(
        Repository.Wrenfield,
        Repository.Wrenfield.Newest,
        DemoCatalogue.FindBase("wrenfield", "2")!.Make());

    private static PlacementAdvice Advise(Core.Hosts.HostProfile profile, BaseCatalogue @base, FileTree pack, string path, byte[] bytes)
    {
        var overlay = Overlay.Of(
            PackReading.Read(profile, profile.Newest, pack, ManifestFacts.Read(profile, pack)),
            @base);
        var tree = FileTree.OfBytes([KeyValuePair.Create(PackPath.Parse(path), bytes)]);
        return new Placer(overlay).Advise(Assert.Single(tree.Files));
    }

    private static PlacementAdvice InKilnmoor(APack pack, string path, Picture picture) =>
        Advise(Repository.Kilnmoor, DemoBase.Kilnmoor, pack.Tree, path, picture.ToPng());

    [Theory]
    [InlineData("mypack/art/embers/surfaces/clay_raked.png", "art/embers/surfaces/clay_raked.png")]
    [InlineData("art/embers/surfaces/clay_raked.png", "art/embers/surfaces/clay_raked.png")]
    [InlineData("mypack/art/surfaces/setts_dark.PNG", "art/surfaces/setts_dark.png")]
    [InlineData("a/b/wares/water_jug/mask.png", "wares/water_jug/mask.png")]
    public void A_path_that_is_a_places_own_goes_there(string path, string target) =>
        Assert.Equal(target, InKilnmoor(APack.Of(), path, Picture.Mask(64, 64)).Candidates[0].Target.Value);

    [Fact]
    public void What_would_replace_the_authors_own_is_first_but_never_sure()
    {
        var pack = APack.Of().With("wares/water_jug/shelf.png", Picture.Shelf());
        var fresh = Picture.Shelf() with { At = (x, y) => x == 0 || y == 0 || x == 55 || y == 55 ? default : new Pixel(9, 99, 9, 255) };
        var advice = InKilnmoor(pack, "wares/water_jug/shelf.png", fresh);
        Assert.Equal("wares/water_jug/shelf.png", advice.Candidates[0].Target.Value);
        Assert.False(advice.IsSure);
        Assert.Contains("which it would replace", advice.Candidates[0].Doubt, StringComparison.Ordinal);
        Assert.True(InKilnmoor(APack.Of(), "wares/water_jug/shelf.png", fresh).IsSure);
    }

    [Theory]
    [InlineData("Cobalt Whindle.png")]
    [InlineData("my drawings/cobalt_whindle.png")]
    [InlineData("evening/cobalt whindle 2.PNG")]
    public void A_things_own_name_counts_in_any_folder(string path)
    {
        var advice = Advise(Repository.Wrenfield, Birds, AGuide.Of().Tree, path, Picture.Of(400, 300).ToPng());
        Assert.Equal("plates", advice.Candidates[0].Place!.Key);
        Assert.Contains("Cobalt Whindle", advice.Candidates[0].Reason, StringComparison.Ordinal);
    }
}
