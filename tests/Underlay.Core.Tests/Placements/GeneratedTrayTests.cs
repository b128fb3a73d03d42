using Underlay.Testing.Trays;

namespace Underlay.Core.Tests.Placements;

/// <summary>Files named by every habit, in both hosts. <c>bench/placement</c> asks the same of ten thousand.</summary>
public class GeneratedTrayTests
{
    [Theory]
    [InlineData("kilnmoor", "4.0", 2100)]
    [InlineData("wrenfield", "2", 900)]
    public void Nothing_that_is_called_sure_is_wrong(string host, string edition, int count)
    {
        var profile = host == "kilnmoor" ? Repository.Kilnmoor : Repository.Wrenfield;
        var scores = PlacementScore.Take(profile, DemoFiles.Base(host, edition), count, seed: 1);
        Assert.Equal(count, scores.Sum(s => s.Files));
        Assert.Empty(scores.SelectMany(s => s.SureWrong));
        foreach (var score in scores.Where(s => s.Naming is "whole path" or "path below other folders"))
            Assert.Equal((score.Naming, score.Files), (score.Naming, score.First));
        // A saved copy's name leads back.
        var copies = scores.Single(s => s.Naming == "name of a saved copy");
        Assert.Equal((copies.Files, 0), (copies.Offered, copies.FirstWrong));
    }
}
