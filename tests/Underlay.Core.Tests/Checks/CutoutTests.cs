using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Png;
using Underlay.Core.Steps;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Checks;

/// <summary>Alpha that was lost is found by the subject's ground, before a fit and after it, and no other repair hides it.</summary>
public class CutoutTests
{
    private const string Shelf = "wares/saltbrook_jug/shelf.png";

    private static readonly Pixel Black = new(0, 0, 0, 255);

    /// <summary>A ball in the middle, on one ground.</summary>
    private static Picture BallOn(Pixel ground, int side) => Picture.Filled(side, side, ground) with
    {
        At = (x, y) =>
            Math.Pow(x - (side / 2.0), 2) + Math.Pow(y - (side / 2.0), 2) < Math.Pow(side / 3.0, 2)
                ? new Pixel((byte)(120 + (x % 20)), 90, 60, 255)
                : ground,
    };

    private static APack With(Picture shelf) =>
        APack.Of().WithWare("saltbrook_jug").With(Shelf, shelf);

    private static IEnumerable<string> Codes(CheckReport report) => report.Findings.Where(f => f.Path == Shelf).Select(f => f.Code.Value);

    [Theory]
    [InlineData(56)]
    [InlineData(300)]
    public void Of_a_new_thing_it_is_told_and_cut_with_the_colour_under_it(int side)
    {
        var pack = With(BallOn(Black, side));
        var finding = pack.Findings().Single(f => f.Code.Value == "image/alpha-lost");
        Assert.Contains("a solid rectangle of #000000", finding.Message, StringComparison.Ordinal);
        var fix = Assert.IsType<ShapePicture>(finding.Fix);
        Assert.Equal([new CutMatte(default)], fix.Steps);
        var (tree, _, held, report) = Run(pack, "image/alpha-lost", "image/wrong-size");
        Assert.Empty(held);
        Assert.DoesNotContain(report.Findings, f => f.Path == Shelf && f.Severity != Severity.Note);
        var (rgba, _, _) = PngReader.Decode(tree.Find(PackPath.Parse(Shelf))!.ReadAll());
        Assert.Equal((0, 255), (rgba![3], rgba[(((28 * 56) + 28) * 4) + 3]));
        // Under what became clear beside the edge lies the ball's colour, not the black.
        var clear = Enumerable.Range(0, 56).First(x => rgba[(((28 * 56) + x + 1) * 4) + 3] > 0);
        Assert.True(rgba[((28 * 56) + clear) * 4] > 60);
    }

    [Fact]
    public void A_fit_does_not_hide_it()
    {
        var pack = With(BallOn(Black, 300));
        Assert.Contains("image/alpha-lost", Codes(pack.Check()));
        var (tree, applied, _, report) = Run(pack, "image/wrong-size");
        Assert.Equal("Fit to 56 x 56", Assert.Single(applied).Finding.Fix!.Title);
        Assert.Equal(["Fit to 56 x 56"], StepsFile.Read(tree, PackPath.Parse(Shelf))!.Steps.Select(s => s.Title));
        Assert.True(report.Blocks);
        Assert.Contains("image/alpha-lost", Codes(report));
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_clear_rim_does_not_hide_it(bool isWhite)
    {
        var ground = isWhite ? new Pixel(255, 255, 255, 255) : Black;
        var framed = BallOn(ground, 56).WithClearRing();
        var report = With(framed).Check();
        Assert.Equal(["image/alpha-lost"], Codes(report));
        var (tree, _, _, after) = Run(With(framed), "image/alpha-lost");
        Assert.Empty(Codes(after));
        var (rgba, _, _) = PngReader.Decode(tree.Find(PackPath.Parse(Shelf))!.ReadAll());
        Assert.Equal(0, rgba![(((3 * 56) + 3) * 4) + 3]);
    }

    [Fact]
    public void What_is_cut_out_around_its_form_has_lost_none()
    {
        var clear = BallOn(new Pixel(0, 0, 0, 0), 56);
        Assert.DoesNotContain("image/alpha-lost", Codes(With(clear).Check()));
        // A solid square of many colours inside a clear ring may be a book.
        Assert.DoesNotContain("image/alpha-lost", Codes(With(Picture.Shelf()).Check()));
    }

    [Fact]
    public void A_fit_that_keeps_a_ring_clear_says_so_and_adds_none_where_there_was_none()
    {
        var ringed = With(BallOn(new Pixel(0, 0, 0, 0), 300).WithClearRing());
        Assert.Equal(
            "Fit to 56 x 56, its outer ring clear as before",
            ringed.Findings().Single(f => f.Code.Value == "image/wrong-size").Fix!.Title);
        var touching = With(new Picture(300, 300, (x, y) => x > 200 ? default : new Pixel(120, (byte)y, 60, 255)));
        var fix = Assert.IsType<ShapePicture>(touching.Findings().Single(f => f.Code.Value == "image/wrong-size").Fix);
        Assert.DoesNotContain(fix.Steps, s => s is ClearBorder);
    }
}
