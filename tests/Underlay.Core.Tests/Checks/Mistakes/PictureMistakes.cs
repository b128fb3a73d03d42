using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of pictures.</summary>
internal static class PictureMistakes
{
    private static readonly Picture Good = Picture.Of(64, 64);

    public static IReadOnlyList<Mistake> All =>
    [
        new(
            "a text under a picture's name",
            APack.Of().With("art/surfaces/flagstone.png", "hello"),
            "image/unreadable",
            "art/surfaces/flagstone.png",
            Severity.Blocker),
        new(
            "a shelf picture of 48",
            APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf(48, 48)),
            "image/wrong-size",
            "wares/milk_jug/shelf.png",
            Severity.Blocker),
        new(
            "an oblong surface",
            APack.Of().With("art/surfaces/flagstone.png", Picture.Of(64, 128)),
            "image/wrong-size",
            "art/surfaces/flagstone.png",
            Severity.Blocker),
        new(
            "a surface of 1024",
            APack.Of().With("art/surfaces/flagstone.png", Picture.Filled(1024, 1024, new Pixel(1, 2, 3, 255))),
            "image/wrong-size",
            "art/surfaces/flagstone.png",
            Severity.Blocker),
        new(
            "a surface of 100",
            APack.Of().With("art/surfaces/flagstone.png", Picture.Of(100, 100)),
            "image/not-power-of-two",
            "art/surfaces/flagstone.png",
            Severity.Blocker),
        new(
            "a skin of 70",
            APack.Of().With("wares/milk_jug/skin.png", Picture.Of(70, 64)).With("wares/milk_jug/mask.png", Picture.Mask(70, 64)),
            "image/not-a-multiple",
            "wares/milk_jug/skin.png",
            Severity.Blocker),
        new(
            "a border",
            APack.Of().With("wares/milk_jug/shelf.png", Picture.Of(56, 56)),
            "image/alpha-lost",
            "wares/milk_jug/shelf.png",
            Severity.Blocker),
        new(
            "one border pixel",
            APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf().With(55, 20, new Pixel(0, 0, 0, 1))),
            "image/needs-clear-border",
            "wares/milk_jug/shelf.png",
            Severity.Blocker),
        new(
            "a hole",
            APack.Of().With("art/surfaces/flagstone.png", Good.With(9, 9, new Pixel(1, 2, 3, 254))),
            "image/alpha",
            "art/surfaces/flagstone.png",
            Severity.Blocker),
        new(
            "a soft edge",
            APack.Of().With("art/surfaces/fence.png", Good.With(9, 9, new Pixel(1, 2, 3, 128))),
            "image/alpha",
            "art/surfaces/fence.png",
            Severity.Blocker),
        new(
            "a base picture behind a new descriptor",
            APack.Of().With("art/surfaces/water.surface.json", SmallBase.Descriptor),
            "image/alpha",
            "art/surfaces/water.png",
            Severity.Blocker),
        new(
            "a clear mask",
            APack.Of().With("wares/milk_jug/mask.png", Picture.Mask().With(1, 1, new Pixel(0, 0, 255, 0))),
            "image/alpha",
            "wares/milk_jug/mask.png",
            Severity.Blocker),
        new(
            "green in a mask",
            APack.Of().With("wares/milk_jug/mask.png", Picture.Mask().With(1, 1, new Pixel(0, 1, 255, 255))),
            "image/mask-colours",
            "wares/milk_jug/mask.png",
            Severity.Blocker),
        new(
            "a front of the wrong size",
            Given.Front("front.png").With("front.png", Picture.Filled(320, 201, new Pixel(1, 2, 3, 255))),
            "image/wrong-size",
            "front.png",
            Severity.Blocker),
        new(
            "a front in grey",
            Given.Front("front.png").With("front.png", Picture.Of(320, 200) with { ColourType = 0 }),
            "image/colour-type",
            "front.png",
            Severity.Blocker),
        new(
            "a front that is no picture",
            Given.Front("front.png").With("front.png", "x"),
            "image/unreadable",
            "front.png",
            Severity.Blocker),
        new("a heavy front", Given.Front("front.png").With("front.png", Heavy()), "image/too-heavy", "front.png", Severity.Blocker),
        new(
            "alpha lost on a matte",
            APack.Of()
                .With(
                    "wares/milk_jug/shelf.png",
                    Picture.Filled(56, 56, new Pixel(255, 255, 255, 255)).With(20, 20, new Pixel(9, 9, 9, 255))),
            "image/alpha-lost",
            "wares/milk_jug/shelf.png",
            Severity.Blocker),
        new(
            "a board without clear corners",
            Boards().With("art/boards/saltbrook_reed/96.png", Picture.Of(96, 48)),
            "image/no-alpha",
            "art/boards/saltbrook_reed/96.png",
            Severity.Blocker),
        new(
            "a coloured ember map",
            APack.Of().With("art/embers/wares/soup_bowl.png", Picture.Of(64, 64)),
            "image/not-grey",
            "art/embers/wares/soup_bowl.png",
            Severity.Blocker),
        new(
            "a seal too faint",
            APack.Of().With("tables/seals.csv", "code,do\nsaltbrook_tide,add\n").With("art/seals/saltbrook_tide.png", Given.Seal(90)),
            "image/fine-lettering",
            "art/seals/saltbrook_tide.png",
            Severity.Warning),
        new(
            "a ribbon over a frieze",
            APack.Of()
                .With(
                    "art/friezes/year.png",
                    OnBrown(1190, 150, new Pixel(230, 60, 80, 255), (_, y) => y is > 60 and < 90)),
            "image/crosses-field",
            "art/friezes/year.png",
            Severity.Warning),
        new(
            "all to see in the corners",
            APack.Of()
                .With(
                    "art/scenes/saltbrook_bay.png",
                    OnBrown(264, 150, new Pixel(255, 255, 255, 255), (x, y) => y < 40 && (x < 40 || x > 224) && (x + y) % 2 == 0)),
            "image/outside-frame",
            "art/scenes/saltbrook_bay.png",
            Severity.Warning),
        new(
            "a neighbour of another colour",
            APack.Of().With("art/surfaces/flagstone.png", Picture.Filled(64, 64, new Pixel(250, 250, 250, 255))),
            "image/neighbour-step",
            "art/surfaces/flagstone.png",
            Severity.Note),
        new(
            "a picture like nothing before",
            APack.Of().With("art/stalls/001.png", Picture.Filled(96, 72, new Pixel(255, 255, 255, 255))),
            "image/unlike-base",
            "art/stalls/001.png",
            Severity.Note),
    ];

    private static APack Boards() =>
        new[] { 64, 96, 128, 192 }.Aggregate(
            APack.Of(),
            (pack, w) => pack.With($"art/boards/saltbrook_reed/{w}.png", Picture.Of(w, 48).WithClearRing()));

    private static byte[] Heavy()
    {
        var parts = (Picture.Of(320, 200) with { ColourType = 2 }).Chunks();
        parts.Chunks.Insert(1, ("edIt", new byte[204_800]));
        return parts.ToBytes();
    }

    private static Picture OnBrown(int width, int height, Pixel mark, Func<int, int, bool> isMarked) =>
        Given.Marked(width, height, new Pixel(90, 80, 70, 255), mark, isMarked);
}
