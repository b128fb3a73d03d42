using CsCheck;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Images;
using Underlay.Core.Mending;
using Underlay.Core.Steps;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

/// <summary>A picture that has to be solid is laid on a ground: what is hidden under clear pixels never comes to light.</summary>
public class MakeSolidTests
{
    private const string Ember = "art/embers/wares/soup_bowl.png";

    private static RgbaPicture PictureAt(FileTree tree, string path) =>
        SourceReader.Read(tree.Find(PackPath.Parse(path))!.ReadAll()).Picture!;

    /// <summary>A cut-out: a small part is kept, all else is clear, over loud colours.</summary>
    private static Picture CutOut(int width, int height) =>
        new(width, height, (x, y) => x is > 10 and < 20 && y is > 10 and < 20 ? new Pixel(180, 180, 180, 255) : new Pixel(250, 40, 200, 0));

    [Fact]
    public void A_cut_out_that_becomes_an_ember_map_glows_where_it_was_kept_and_nowhere_else()
    {
        var pack = APack.Of().With(Ember, CutOut(64, 64));
        var solid = Run(pack, "image/alpha");
        Assert.Single(solid.Applied);
        var grey = Run(new APack(solid.Tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())), "image/not-grey");
        var picture = PictureAt(grey.Tree, Ember);
        Assert.DoesNotContain(grey.Report.Findings, f => f.Path == Ember && f.Severity == Severity.Blocker);
        for (var y = 0; y < 64; y++)
            for (var x = 0; x < 64; x++)
                Assert.Equal(
                    x is > 10 and < 20 && y is > 10 and < 20 ? [180, 180, 180, 255] : new byte[] { 0, 0, 0, 255 },
                    picture.At(x, y).ToArray());
    }

    [Fact]
    public void Over_a_base_picture_the_base_is_seen_where_it_is_clear()
    {
        var pack = APack.Of().With("art/surfaces/flagstone.png", CutOut(64, 64));
        var finding = pack.Finding("image/alpha");
        Assert.Contains("colours that are hidden under clear pixels stay hidden", finding.Message, StringComparison.Ordinal);
        Assert.Equal("Lay it over the base’s picture", finding.Fix!.Title);
        var picture = PictureAt(Run(pack, "image/alpha").Tree, "art/surfaces/flagstone.png");
        Assert.Equal(
            SourceReader.Read(SmallBase.Files["art/surfaces/flagstone.png"]).Picture!.At(40, 40).ToArray(),
            picture.At(40, 40).ToArray());
        Assert.Equal([180, 180, 180, 255], picture.At(15, 15).ToArray());
    }

    [Fact]
    public void Where_there_is_no_base_picture_a_colour_is_asked_for_and_the_answer_is_taken()
    {
        var pack = APack.Of().WithSurface("saltbrook_foam", CutOut(64, 64));
        var fix = Assert.IsType<MakeSolid>(pack.Findings().Single(f => f.Code.Value == "image/alpha").Fix);
        Assert.Equal(StepInput.Colour, fix.Question!.Input);
        Assert.Null(fix.Answered("red"));
        var answered = fix.Answered("#102030")!;
        var context = new FixContext("p", Repository.Kilnmoor, Repository.Kilnmoor.Newest, null);
        var after = pack.Tree.With(FixRunner.EditsOf(pack.Tree, answered, context));
        Assert.Equal([0x10, 0x20, 0x30, 255], PictureAt(after, "art/surfaces/saltbrook_foam.png").At(50, 50).ToArray());
    }

    [Fact]
    public void Hidden_colours_never_show_whatever_the_ground() =>
        Gen.Select(Gen.Int[1, 20], Gen.Int[1, 20], Gen.Byte, Gen.Byte, Gen.Byte, Gen.Byte.Array[20 * 20]).Sample(
            (width, height, r, g, b, alphas) =>
        {
            RgbaPicture With(byte hidden)
            {
                var picture = RgbaPicture.Clear(new PixelSize(width, height));
                for (var i = 0; i < width * height; i++)
                {
                    var alpha = alphas[i] < 128 ? (byte)0 : alphas[i];
                    byte[] pixel = alpha == 0 ? [hidden, hidden, hidden, 0] : [r, g, b, alpha];
                    pixel.CopyTo(picture.Rgba, i * 4);
                }

                return picture;
            }

            foreach (var step in new PictureStep[] { new LayOnColour(new Rgb(b, r, g)), new LayOnPicture(With(99)) })
            {
                var (one, other) = (step.Run(With(0)), step.Run(With(255)));
                Assert.True(one.IsOpaque);
                Assert.Equal(one.Rgba, other.Rgba);
            }
        });
}
