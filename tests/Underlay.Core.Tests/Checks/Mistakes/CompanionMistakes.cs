using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of companions, sets and series.</summary>
internal static class CompanionMistakes
{
    private static readonly Picture Good = Picture.Of(64, 64);

    public static IReadOnlyList<Mistake> All =>
    [
        new(
            "a new surface alone",
            APack.Of().With("art/surfaces/saltbrook_foam.png", Good),
            "companion/missing",
            "art/surfaces/saltbrook_foam.png",
            Severity.Blocker),
        new(
            "a ware without shelf picture",
            APack.Of().WithWare("tide_cup").Without("wares/tide_cup/shelf.png"),
            "companion/missing",
            "wares/tide_cup/shelf.png",
            Severity.Blocker),
        new("a front that is not there", Given.Front("front.png"), "companion/missing", "front.png", Severity.Blocker),
        new(
            "a bigger skin over the base's mask",
            APack.Of().With("wares/milk_jug/skin.png", Picture.Of(128, 128)),
            "companion/size-differs",
            "wares/milk_jug/mask.png",
            Severity.Blocker),
        new(
            "a smaller mask",
            APack.Of().With("wares/milk_jug/mask.png", Picture.Mask(32, 32)),
            "companion/size-differs",
            "wares/milk_jug/mask.png",
            Severity.Blocker),
        new(
            "a picture of no ware",
            APack.Of().With("wares/teapot/skin.png", Good),
            "companion/ownerless",
            "wares/teapot/skin.png",
            Severity.Blocker),
        new(
            "a descriptor of no picture",
            APack.Of().With("art/surfaces/saltbrook_foam.surface.json", SmallBase.Descriptor),
            "companion/ownerless",
            "art/surfaces/saltbrook_foam.surface.json",
            Severity.Blocker),
        new(
            "an ember map of a cold ware",
            APack.Of().With("art/embers/wares/milk_jug.png", Picture.Filled(64, 64, new Pixel(5, 5, 5, 255))),
            "companion/not-enabled",
            "art/embers/wares/milk_jug.png",
            Severity.Blocker),
        new(
            "a PNG under a DDS",
            APack.Of().WithWare("tide_cup").With("wares/tide_cup/skin.dds", Dds.Of(64, 64)),
            "companion/outranked",
            "wares/tide_cup/skin.png",
            Severity.Blocker),
        new(
            "a stall picture of nothing",
            APack.Of().With("art/stalls/007.png", Picture.Of(96, 72)),
            "companion/unwanted",
            "art/stalls/007.png",
            Severity.Blocker),
        new(
            "two of three awnings",
            Awnings().Without("art/awnings/hill/lamp.png"),
            "set/incomplete",
            "art/awnings/hill/lamp.png",
            Severity.Blocker),
        new(
            "a flame behind a gap",
            Flames(4).With("art/flames/updraught/06.png", Picture.Of(40, 40)),
            "series/gap",
            "art/flames/updraught/06.png",
            Severity.Blocker),
        new(
            "a flame on another canvas",
            Flames(4).With("art/flames/updraught/03.png", Picture.Of(40, 44)),
            "series/canvas",
            "art/flames/updraught/03.png",
            Severity.Blocker),
        new("flames without the last", Flames(3), "series/mixed", "art/flames/updraught/04.png", Severity.Blocker),
    ];

    private static APack Awnings() =>
        new[] { "dawn", "noon", "lamp" }.Aggregate(APack.Of(), (pack, m) => pack.With($"art/awnings/hill/{m}.png", Picture.Of(150, 60)));

    private static APack Flames(int count) =>
        Enumerable.Range(1, count).Aggregate(APack.Of(), (pack, i) => pack.With($"art/flames/updraught/0{i}.png", Picture.Of(40, 40)));
}
