using System.Globalization;
using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Placements;

/// <summary>Numbered pictures of one folder are one series: counted from the host's first number, gaps and surplus told.</summary>
public class SeriesAdviceTests
{
    private static IReadOnlyList<PlacementAdvice> Advise(IEnumerable<string> names)
    {
        var profile = Repository.Kilnmoor;
        var pack = APack.Of().Tree;
        var overlay = Overlay.Of(PackReading.Read(profile, profile.Newest, pack, ManifestFacts.Read(profile, pack)), DemoBase.Kilnmoor);
        var files = names.Select(n => KeyValuePair.Create(PackPath.Parse(n), Picture.Of(48, 64).ToPng()));
        return new Placer(overlay).Advise(FileTree.OfBytes(files).Files);
    }

    [Theory]
    [InlineData("bottle kiln/{0}.png", 0)]
    [InlineData("bottle/{0:00}.png", 1)]
    [InlineData("flames for the bottle/frame_{0:000}.png", 0)]
    [InlineData("bottle/smoke{0:0000}.png", 100)]
    [InlineData("pack/art/flames/bottle/{0:00}.png", 0)]
    public void A_series_goes_as_a_whole_from_the_hosts_first_number(string name, int first)
    {
        var advice = Advise(Enumerable.Range(first, 8).Select(i => string.Format(CultureInfo.InvariantCulture, name, i)));
        Assert.Equal(
            Enumerable.Range(1, 8).Select(i => string.Create(CultureInfo.InvariantCulture, $"art/flames/bottle/{i:00}.png")),
            advice.OrderBy(a => a.Series!.Number).Select(a => a.Candidates[0].Target.Value));
        // Where numbers are shifted it is looked at before.
        Assert.All(advice, a => Assert.Equal(first == 1, a.IsSure));
        if (first != 1) Assert.All(advice, a => Assert.Contains("the host’s from 1", a.Series!.Says, StringComparison.Ordinal));
    }

    [Fact]
    public void Gaps_and_what_is_left_over_are_told_and_never_sure()
    {
        var advice = Advise(["pit/1.png", "pit/2.png", "pit/4.png"]);
        Assert.All(advice, a => Assert.False(a.IsSure));
        Assert.All(advice, a => Assert.Contains("number 3 is missing", a.Series!.Says, StringComparison.Ordinal));
        Assert.All(advice, a => Assert.Contains("would be left over", a.Series!.Says, StringComparison.Ordinal));
    }

    [Fact]
    public void Surplus_is_told()
    {
        var advice = Advise(Enumerable.Range(1, 20).Select(i => $"pit/{i}.png"));
        Assert.All(advice, a => Assert.Contains("more than the base has", a.Series!.Says, StringComparison.Ordinal));
        Assert.Contains(advice, a => a.Candidates[0] is { IsNew: true, Target.FileName: "20.png" });
    }

    [Fact]
    public void Numbers_of_something_else_are_no_series() =>
        Assert.All(Advise(["IMG_1.png", "IMG_2.png", "IMG_3.png"]), a => Assert.Null(a.Series));
}
