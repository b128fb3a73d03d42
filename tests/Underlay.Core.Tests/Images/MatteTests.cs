using CsCheck;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Images;

public class MatteTests
{
    /// <summary>A disc of one colour with soft edges.</summary>
    private static RgbaPicture Disc(int side, double radius, (byte R, byte G, byte B) colour)
    {
        var picture = RgbaPicture.Clear(new PixelSize(side, side));
        for (var y = 0; y < side; y++)
            for (var x = 0; x < side; x++)
            {
                var away = Math.Sqrt(Math.Pow(x - ((side - 1) / 2.0), 2) + Math.Pow(y - ((side - 1) / 2.0), 2));
                var pixel = picture.At(x, y);
                (pixel[0], pixel[1], pixel[2], pixel[3]) = (
                    colour.R,
                    colour.G,
                    colour.B,
                    (byte)(255 * Math.Clamp(radius - away + 0.5, 0, 1)));
            }

        return picture;
    }

    private static RgbaPicture On(RgbaPicture picture, (byte R, byte G, byte B) ground)
    {
        var flat = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 0; i < flat.Rgba.Length; i += 4)
        {
            var alpha = flat.Rgba[i + 3] / 255.0;
            byte Mix(byte value, byte under) => (byte)Math.Round((value * alpha) + (under * (1 - alpha)));
            (flat.Rgba[i], flat.Rgba[i + 1], flat.Rgba[i + 2], flat.Rgba[i + 3]) = (
                Mix(flat.Rgba[i], ground.R),
                Mix(flat.Rgba[i + 1], ground.G),
                Mix(flat.Rgba[i + 2], ground.B),
                255);
        }

        return flat;
    }

    [Fact]
    public void A_form_cut_from_its_ground_has_its_alpha_and_colour_back() =>
        Gen.Select(Gen.Int[16, 40], Gen.Byte, Gen.Byte, Gen.Bool).Sample((side, r, g, dark) =>
        {
            var colour = (R: (byte)(r / 2), G: (byte)(g / 2), B: (byte)90);
            var ground = dark ? ((byte)255, (byte)0, (byte)255) : ((byte)255, (byte)255, (byte)255);
            var form = Disc(side, side * 0.36, colour);
            var flat = On(form, ground);
            Assert.Equal(ground, Matte.Find(flat));
            var cut = Matte.Cut(flat, ground);
            for (var i = 3; i < form.Rgba.Length; i += 4) Assert.InRange(cut.Rgba[i], form.Rgba[i] - 12, form.Rgba[i] + 12);
        });

    [Fact]
    public void A_picture_without_one_ground_has_none() =>
        Assert.Null(Matte.Find(new RgbaPicture(new PixelSize(8, 8), PngReader.Decode(Picture.Of(8, 8).ToPng()).Rgba!)));

    [Fact]
    public void Colours_spread_under_clear_pixels_change_nothing_that_is_seen()
    {
        var disc = Disc(24, 7, (200, 90, 40));
        for (var i = 0; i < disc.Rgba.Length; i += 4)
            if (disc.Rgba[i + 3] == 0) (disc.Rgba[i], disc.Rgba[i + 1], disc.Rgba[i + 2]) = (0, 0, 0);
        var spread = new SpreadColour().Run(disc);
        for (var i = 0; i < disc.Rgba.Length; i += 4)
        {
            Assert.Equal(disc.Rgba[i + 3], spread.Rgba[i + 3]);
            if (disc.Rgba[i + 3] > 0) Assert.Equal(disc.Rgba.AsSpan(i, 4), spread.Rgba.AsSpan(i, 4));
        }

        Assert.True(Looks.BleedShare(disc.Rgba, disc.Size) > 0.9);
        Assert.Equal(0, Looks.BleedShare(spread.Rgba, spread.Size));
    }

    [Fact]
    public void Every_step_is_read_back_from_the_file_that_keeps_it()
    {
        var path = PackPath.Parse("wares/milk_jug/shelf.png");
        var tree = APack.Of().With(path.Value, Picture.Of(20, 20)).Tree;
        Step[] steps =
        [
            new CutMatte(new Rgb(255, 254, 3)),
            new TakeAlpha(Disc(20, 6, (1, 2, 3))),
            new SpreadColour(),
            new HardenAlpha(),
            new LayOnColour(new Rgb(1, 2, 3)),
            new LayOnPicture(Disc(20, 6, (9, 8, 7))),
            new FewerShades(5),
            new ToGrey(),
            new ClearBorder(),
            new Enlarge(2),
            new FitToSize(new PixelSize(56, 56), FitMode.Inside, true),
        ];
        var shaped = tree.With(Shaping.Add(tree, path, steps).Edits);
        Assert.Equal(steps.Select(s => s.Title), StepsFile.Read(shaped, path)!.Steps.Select(s => s.Title));
        // A new source goes through all of them again.
        var renewed = shaped.With(Shaping.Renew(shaped, path, Picture.Of(30, 30).ToPng()).Edits);
        Assert.Equal(new PixelSize(56, 56), PngReader.Inspect(renewed.Find(path)!.ReadAll(), PixelNeed.None).Header!.Size);
    }

    [Fact]
    public void Chroma_that_screens_show_is_told_from_more()
    {
        Assert.True(new Oklch(0.6, 0.1, 40).IsOnScreen);
        Assert.False(new Oklch(0.6, 0.4, 140).IsOnScreen);
        Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte).Sample((r, g, b) =>
        {
            var lab = Oklab.Of(r, g, b);
            Assert.True(
                new Oklch(lab.L, Math.Sqrt((lab.A * lab.A) + (lab.B * lab.B)), Math.Atan2(lab.B, lab.A) * 180 / Math.PI).IsOnScreen);
        });
        Assert.InRange(new Oklch(0.6, 0.4, 140).MostChroma(), 0.1, 0.3);
    }
}
