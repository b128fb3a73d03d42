using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of the manifest, and of what a pack is.</summary>
internal static class PackMistakes
{
    private static readonly Picture Good = Picture.Of(64, 64);

    public static IReadOnlyList<Mistake> All =>
    [
        new("no manifest", APack.Empty, "manifest/missing", "firing.json", Severity.Blocker),
        new("broken manifest", APack.Of().With("firing.json", "{ \"id\": "), "manifest/unreadable", "firing.json", Severity.Blocker),
        new(
            "manifest without title",
            APack.Of().With("firing.json", """{ "id": "a.b", "version": "1.0.0", "by": "x", "reads": { "from": "4.0", "to": "4.0" } }"""),
            "manifest/rejected",
            "firing.json",
            Severity.Blocker),
        new(
            "editions the wrong way",
            APack.Of().With("firing.json", APack.Manifest.Replace("\"to\": \"4.0\"", "\"to\": \"3.0\"", StringComparison.Ordinal)),
            "manifest/rejected",
            "firing.json",
            Severity.Blocker),
        new(
            "the base's own bytes",
            APack.Of().With("art/surfaces/flagstone.png", SmallBase.Files["art/surfaces/flagstone.png"]),
            "pack/unchanged",
            "art/surfaces/flagstone.png",
            Severity.Note),
        new("a system's file", APack.Of().With("art/surfaces/Thumbs.db", "x"), "pack/leftover", "art/surfaces/Thumbs.db", Severity.Warning),
        new(
            "a copy that was kept",
            APack.Of().With("art/surfaces/flagstone_old.png", Good),
            "pack/leftover",
            "art/surfaces/flagstone_old.png",
            Severity.Blocker),
        new("a source changed after its result", Stale(), "pack/stale-result", "art/surfaces/saltbrook_foam.png", Severity.Warning),
        new(
            "the base's picture in another place",
            APack.Of()
                .WithSurface("saltbrook_foam", Good)
                .With("art/surfaces/saltbrook_foam.png", SmallBase.Files["art/surfaces/flagstone.png"]),
            "pack/same-as-other",
            "art/surfaces/saltbrook_foam.png",
            Severity.Note),
        new(
            "one folder around all",
            APack.Empty.With("tidepool/firing.json", APack.Manifest).With("tidepool/art/surfaces/flagstone.png", Good),
            "package/wrapped",
            "tidepool",
            Severity.Blocker),
        new(
            "waivers that cannot be read",
            APack.Of().With(".underlay/waivers.json", "{"),
            "decision/unreadable",
            ".underlay/waivers.json",
            Severity.Warning),
        new("a placeholder", Placeholder(), "pack/placeholder", "art/surfaces/flagstone.png", Severity.Note),
        new(
            "an author who is not named",
            APack.Of().With("firing.json", APack.Manifest.Replace("\"Saltbrook\"", "\"author\"", StringComparison.Ordinal)),
            "manifest/unnamed-author",
            "firing.json",
            Severity.Warning),
    ];

    private static APack Placeholder()
    {
        var overlay = APack.Of().Check().Overlay!;
        var tree = overlay.Pack.Tree.With(
            Bring.Edits(overlay, overlay.Pack.Tree, Bring.Plan(overlay, [PackPath.Parse("art/surfaces/flagstone.png")])));
        return new APack(tree.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    private static APack Stale()
    {
        var pack = APack.Of().WithSurface("saltbrook_foam", Picture.Of(100, 100));
        var shaped = pack.Tree.With(
            Core.Steps.Shaping.Add(
                pack.Tree,
                PackPath.Parse("art/surfaces/saltbrook_foam.png"),
                new Core.Steps.FitToSize(new Core.Images.PixelSize(64, 64), Core.Steps.FitMode.Stretch, Exact: false)).Edits);
        return new APack(shaped.Files.ToDictionary(f => f.Path.Value, f => f.ReadAll())).With(
            ".underlay/sources/art/surfaces/saltbrook_foam.png",
            Picture.Of(120, 120));
    }
}
