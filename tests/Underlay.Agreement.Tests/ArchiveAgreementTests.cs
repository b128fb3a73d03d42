using Underlay.Core.Findings;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>An archive that Underlay refuses is one that the host does not list, for the same reason.</summary>
public class ArchiveAgreementTests
{
    [Theory]
    [InlineData("parent", "unsafe")]
    [InlineData("parent inside", "unsafe")]
    [InlineData("absolute", "unsafe")]
    [InlineData("drive", "unsafe")]
    [InlineData("backslash", "unsafe")]
    [InlineData("control", "unsafe")]
    [InlineData("device", "unsafe")]
    [InlineData("trailing dot", "unsafe")]
    [InlineData("not normal", "unsafe")]
    [InlineData("not utf8", "unsafe")]
    [InlineData("link", "unsafe")]
    [InlineData("pipe", "unsafe")]
    [InlineData("repeated", "unsafe")]
    [InlineData("case", "unsafe")]
    [InlineData("file and folder", "unsafe")]
    [InlineData("encrypted", "damaged")]
    [InlineData("method", "damaged")]
    [InlineData("crc", "damaged")]
    [InlineData("crc deflated", "damaged")]
    [InlineData("longer than said", "damaged")]
    [InlineData("shorter than said", "damaged")]
    [InlineData("not deflate", "damaged")]
    [InlineData("no zip", "damaged")]
    [InlineData("empty", "damaged")]
    [InlineData("cut in the directory", "damaged")]
    [InlineData("cut in the data", "damaged")]
    [InlineData("cut in front", "damaged")]
    public void Both_refuse_it_for_the_same_reason(string how, string reason)
    {
        var package = ZipParts.Broken(how);
        var finding = Assert.Single(Disagreement.CheckArchive(package));
        Assert.Equal(new Prediction(PredictionKind.Unlisted, "", reason), Assert.Single(finding.Predicts));
        Assert.Equal((false, reason), (Disagreement.Try(package).Packages[0].Listed, Disagreement.Try(package).Packages[0].Reason));
    }

    [Fact]
    public void A_package_over_256_MiB_is_too_big_before_it_is_opened()
    {
        using var huge = new SparseStream((256L << 20) + 1);
        Assert.Equal("too_big", Kilnmoor.PackageFile.Open("huge.kilnmoor", huge).Reason);
    }

    [Fact]
    public void An_archive_packed_by_another_writer_is_listed() =>
        Assert.True(Disagreement.Try(Disagreement.Zip(APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)))).Packages[0].Listed);

    /// <summary>Has a length and no bytes.</summary>
    private sealed class SparseStream(long length) : MemoryStream
    {
        public override long Length { get; } = length;
    }
}
