using Underlay.Core.Decisions;
using Underlay.Core.Findings;
namespace Underlay.Core.Tests.Decisions;

public class WaiverTests
{
    private static readonly APack Pack = APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48));

    private static APack Waived(APack pack, string reason) =>
        pack.With(".underlay/waivers.json", WaiverFile.Of(pack.Finding().Waive(reason)));

    [Fact]
    public void A_waived_blocker_blocks_no_longer_and_keeps_its_reason()
    {
        var report = Waived(Pack, "meant small").Check();
        Assert.False(report.Blocks);
        Assert.Equal("meant small", report.Findings.Single(f => f.Waiver is not null).Waiver!.Reason);
        Assert.Equal(0, report.Count(Severity.Blocker));
    }

    [Fact]
    public void A_waiver_does_not_hold_for_other_bytes() =>
        Assert.True(Waived(Pack, "meant small").With("wares/milk_jug/shelf.png", Picture.Shelf(40, 40)).Check().Blocks);

    [Fact]
    public void A_waiver_of_two_files_does_not_hold_when_the_other_changes()
    {
        var pack = APack.Of().With("wares/milk_jug/skin.png", Picture.Of(128, 128)).With("wares/milk_jug/mask.png", Picture.Mask());
        var waived = Waived(pack, "later");
        Assert.False(waived.Check().Blocks);
        Assert.True(waived.With("wares/milk_jug/skin.png", Picture.Of(128, 64)).Check().Blocks);
    }

    [Theory]
    [InlineData("""{ "waivers": [ { "code": "image/wrong-size", "path": "x" } ] }""")]
    [InlineData("""{ "waivers": 7 }""")]
    [InlineData("[]")]
    public void Waivers_that_cannot_be_read_waive_nothing(string text)
    {
        var report = Pack.With(".underlay/waivers.json", text).Check();
        Assert.Contains(report.Findings, f => f.Code.Value == "decision/unreadable");
        Assert.True(report.Blocks);
    }
}

/// <summary>Files of waivers for tests.</summary>
internal static class WaiverFile
{
    public static byte[] Of(params Waiver[] waivers) =>
        Assert.IsType<TreeEdit.Write>(Assert.Single(Waivers.Add(FileTree.Empty, waivers).Edits)).Bytes.ToArray();
}
