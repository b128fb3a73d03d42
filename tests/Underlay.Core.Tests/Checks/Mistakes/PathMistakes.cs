using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of paths and names.</summary>
internal static class PathMistakes
{
    private static readonly Picture Good = Picture.Of(64, 64);

    public static IReadOnlyList<Mistake> All =>
    [
        new("a file for nobody", APack.Of().With("plans.txt", "x"), "path/no-place", "plans.txt", Severity.Warning),
        new(
            "folder one letter off",
            APack.Of().With("art/surface/flagstone.png", Good),
            "path/near-miss",
            "art/surface/flagstone.png",
            Severity.Warning),
        new(
            "upper case",
            APack.Of().With("art/surfaces/Flagstone.PNG", Good),
            "path/near-miss",
            "art/surfaces/Flagstone.PNG",
            Severity.Warning),
        new(
            "a folder too deep",
            APack.Of().With("new/art/surfaces/flagstone.png", Good),
            "path/near-miss",
            "new/art/surfaces/flagstone.png",
            Severity.Warning),
        new(
            "two extensions",
            APack.Of().With("art/surfaces/flagstone.png.png", Good),
            "path/near-miss",
            "art/surfaces/flagstone.png.png",
            Severity.Warning),
        new("no extension", APack.Of().With("art/surfaces/flagstone", Good), "path/near-miss", "art/surfaces/flagstone", Severity.Warning),
        new(
            "a plural",
            APack.Of().With("wares/milk_jugs/shelf.png", Picture.Shelf()),
            "path/near-miss",
            "wares/milk_jugs/shelf.png",
            Severity.Blocker),
        new(
            "a name one letter off",
            APack.Of().With("art/surfaces/flagstne.png", Good),
            "path/near-miss",
            "art/surfaces/flagstne.png",
            Severity.Blocker),
        new(
            "a misspelt companion",
            APack.Of().WithWare("tide_cup").Without("wares/tide_cup/shelf.png").With("wares/tide_cup/shelv.png", Picture.Shelf()),
            "path/near-miss",
            "wares/tide_cup/shelv.png",
            Severity.Blocker),
        new(
            "a front that is a surface",
            Given.Front("art/surfaces/flagstone.png").With("art/surfaces/flagstone.png", Good),
            "path/front-in-place",
            "art/surfaces/flagstone.png",
            Severity.Blocker),
        new(
            "somebody else's prefix",
            APack.Of().WithWare("tide_cup", id: "other.tide_cup"),
            "name/prefix",
            "wares/tide_cup/ware.json",
            Severity.Warning),
        new(
            "a market that cannot be added",
            APack.Of().With("art/awnings/fair/noon.png", Picture.Of(150, 60)),
            "name/not-listed",
            "art/awnings/fair/noon.png",
            Severity.Blocker),
        new(
            "a seal without a row",
            APack.Of().With("art/seals/saltbrook_tide.png", Given.Seal()),
            "name/not-listed",
            "art/seals/saltbrook_tide.png",
            Severity.Blocker),
        new("a name without prefix", APack.Of().WithSurface("foam", Good), "name/prefix", "art/surfaces/foam.png", Severity.Warning),
    ];
}
