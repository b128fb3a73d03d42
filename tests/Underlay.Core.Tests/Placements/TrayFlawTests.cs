using Underlay.Core.Manifests;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Placements;

/// <summary>What is of no use anywhere is named, and proposed nowhere.</summary>
public class TrayFlawTests
{
    private static PlacementAdvice Advise(string path, byte[] bytes)
    {
        var pack = APack.Of();
        var reading = PackReading.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            pack.Tree,
            ManifestFacts.Read(Repository.Kilnmoor, pack.Tree));
        return new Placer(Overlay.Of(reading, SmallBase.Catalogue)).Advise(
            new TreeFile(PackPath.Parse(path), bytes.Length, FileContent.Of(bytes)));
    }

    [Theory]
    [InlineData("surfaces/.DS_Store")]
    [InlineData("surfaces/Thumbs.db")]
    [InlineData("art/surfaces/._flagstone.png")]
    [InlineData("__rest/art/surfaces/flagstone.png")]
    public void Files_of_an_operating_system_are_named_as_such(string path)
    {
        var advice = Advise(path, Picture.Of(64, 64).ToPng());
        Assert.Empty(advice.Candidates);
        Assert.Contains("operating system", advice.Flaw, StringComparison.Ordinal);
    }

    [Fact]
    public void An_empty_file_is_proposed_nowhere()
    {
        var advice = Advise("art/surfaces/flagstone.png", []);
        Assert.Empty(advice.Candidates);
        Assert.Equal("it is empty: it has no bytes", advice.Flaw);
    }

    [Fact]
    public void A_picture_that_was_cut_off_is_offered_with_what_is_wrong_and_is_never_proposed()
    {
        var whole = Picture.Of(64, 64).ToPng();
        var advice = Advise("art/surfaces/flagstone.png", whole[..(whole.Length / 2)]);
        Assert.False(advice.HasFirst);
        Assert.StartsWith("it begins as a PNG picture and cannot be read", advice.Candidates[0].Doubt, StringComparison.Ordinal);
        Assert.Null(Advise("art/surfaces/flagstone.png", whole).Flaw);
    }
}
