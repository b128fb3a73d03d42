using Underlay.Core.Findings;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Steps;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

/// <summary>A picture that was fitted to what its place asks is right in the host, and so is what has to agree with it.</summary>
public class FitTests
{
    [Theory]
    [InlineData("cut", true)]
    [InlineData("soft", false)]
    public void Fitting_keeps_edges_hard_where_the_host_wants_them_so(string edge, bool areHard)
    {
        // Clear holes whose edges fall between the pixels of the smaller picture.
        var picture = new Picture(96, 96, (x, y) => new Pixel(120, 90, 60, (byte)(x / 5 % 2 == y / 7 % 2 ? 255 : 0)));
        var pack = APack.Of()
            .With("art/surfaces/saltbrook_mat.png", picture)
            .With("art/surfaces/saltbrook_mat.surface.json", $$"""{ "made_of": "stone", "edge": "{{edge}}" }""");
        var (tree, applied, _, report) = Run(pack, "image/not-power-of-two");
        Assert.Equal("Fit to 64 x 64", Assert.Single(applied).Finding.Fix!.Title);
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        var fitted = PngReader.Decode(tree.Find(PackPath.Parse("art/surfaces/saltbrook_mat.png"))!.ReadAll()).Rgba!;
        Assert.Equal(areHard, fitted.Chunk(4).All(p => p[3] is 0 or 255));
    }

    [Fact]
    public void What_has_to_have_the_same_size_is_fitted_along()
    {
        var pack = APack.Of()
            .With("art/surfaces/saltbrook_mat.png", new Picture(96, 80, (x, y) => new Pixel((byte)x, (byte)y, 60, 255)))
            .With("art/embers/surfaces/saltbrook_mat.png", new Picture(96, 80, (x, y) => new Pixel((byte)x, (byte)x, (byte)x, 255)))
            .With("art/surfaces/saltbrook_mat.surface.json", """{ "made_of": "stone", "edge": "solid", "ember": 0.6 }""");
        var (tree, applied, held, report) = Run(pack, "image/not-power-of-two");
        var title = Assert.Single(applied).Finding.Fix!.Title;
        Assert.EndsWith(", and an ember map of a surface with it", title, StringComparison.Ordinal);
        Assert.Empty(held);
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        foreach (var folder in (string[])["art/surfaces", "art/embers/surfaces"])
        {
            var fitted = PngReader.Decode(tree.Find(PackPath.Parse($"{folder}/saltbrook_mat.png"))!.ReadAll());
            Assert.Equal(new PixelSize(64, 64), fitted.Size);
        }
    }

    [Fact]
    public void What_is_fitted_along_keeps_what_another_fix_made_of_it()
    {
        var pack = APack.Of()
            .With("art/surfaces/saltbrook_mat.png", new Picture(96, 80, (x, y) => new Pixel((byte)x, (byte)y, 60, 255)))
            .With("art/embers/surfaces/saltbrook_mat.png", new Picture(96, 80, (x, y) => new Pixel((byte)x, 90, 30, 255)))
            .With("art/surfaces/saltbrook_mat.surface.json", """{ "made_of": "stone", "edge": "solid", "ember": 0.6 }""");
        var (tree, applied, _, report) = Run(pack, "image/not-power-of-two", "image/not-grey");
        Assert.Equal(["image/not-grey", "image/not-power-of-two"], applied.Select(a => a.Finding.Code.Value).Order());
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        var ember = PackPath.Parse("art/embers/surfaces/saltbrook_mat.png");
        Assert.Equal(2, StepsFile.Read(tree, ember)!.Steps.Count);
        Assert.All(PngReader.Decode(tree.Find(ember)!.ReadAll()).Rgba!.Chunk(4), p => Assert.True(p[0] == p[1] && p[1] == p[2]));
    }

    [Fact]
    public void A_mask_of_another_size_than_its_skin_is_fitted_where_no_whole_factor_does_it()
    {
        var pack = APack.Of()
            .With("wares/milk_jug/skin.png", Picture.Of(64, 64))
            .With("wares/milk_jug/mask.png", new Picture(96, 96, (x, y) => y < 40 ? new Pixel(255, 0, 0, 255) : new Pixel(0, 0, 255, 255)));
        var (tree, applied, _, report) = Run(pack, "companion/size-differs");
        Assert.Equal("Fit to 64 x 64", Assert.Single(applied).Finding.Fix!.Title);
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        var fitted = PngReader.Decode(tree.Find(PackPath.Parse("wares/milk_jug/mask.png"))!.ReadAll()).Rgba!;
        Assert.All(fitted.Chunk(4), p => Assert.True(p[0] + p[2] == 255 && p[1] == 0 && p[3] == 255));
    }
}
