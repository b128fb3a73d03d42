using Underlay.Core.Hosts;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>What a path that an author types would mean.</summary>
/// <param name="Place">The place there; null for none.</param>
/// <param name="Replaces">Whose file it would replace: the pack's own, the base's, or none.</param>
/// <param name="Says">What speaks against it, as a sentence; empty for nothing.</param>
/// <param name="Near">A path that is near and that the host reads; null for none.</param>
/// <param name="IsRefused">True where the file cannot be placed there at all.</param>
public sealed record PathJudgement(Place? Place, Layer? Replaces, string Says, PackPath? Near, bool IsRefused);

/// <summary>Judges and completes paths while they are typed.</summary>
public static class PathJudge
{
    private const int MostCompletions = 12;

    /// <summary>What placing a file at a path would mean.</summary>
    public static PathJudgement Judge(Overlay overlay, TreeFile file, string text)
    {
        if (!PackPath.TryParse(text, out var path, out var problem))
            return new PathJudgement(null, null, $"This path {problem.Says()}.", null, true);
        if (ReservedFolder.Holds(path))
            return new PathJudgement(null, null, $"{ReservedFolder.Name} is Underlay’s own folder.", null, true);
        var located = overlay.Profile.Locate(path, overlay.Edition);
        Layer? layer = overlay.PackHas(path) ? Layer.Pack : overlay.Base.Find(path) is not null ? Layer.Base : null;
        if (ContentClash.Find(overlay.Profile, overlay.Edition, file, path) is { } clash)
            return new PathJudgement(located?.Place, layer, $"{char.ToUpperInvariant(clash[0])}{clash[1..]}", null, true);
        if (located is { } found)
        {
            var fit = PlaceFit.Of(overlay, found.Place, found.Bindings, overlay.Base.Find(path), TrayContent.Of(file));
            var says = fit.Doubt is { } doubt
                ? $"{char.ToUpperInvariant(doubt[0])}{doubt[1..]}."
                : fit.Says.Contains("fitted", StringComparison.Ordinal)
                ? $"{char.ToUpperInvariant(fit.Says[2])}{fit.Says[3..]}."
                : "";
            return new PathJudgement(found.Place, layer, says, NearName(overlay, found.Place, found.Bindings, path), false);
        }

        if (path == overlay.Profile.Manifest.Path) return new PathJudgement(null, layer, "", null, false);
        if (overlay.Profile.FindUnjudged(path) is { } unjudged)
            return new PathJudgement(
                null,
                layer,
                $"{overlay.Profile.Title} reads {unjudged.Title} here; Underlay does not judge them yet.",
                null,
                false);
        var near = NearMissFinder.OfUnplaced(overlay, file with { Path = path }) is [var first, ..]
            ? first.Target
            : WithEnding(overlay, path, file);
        return new PathJudgement(
            null,
            layer,
            near is null ? $"{overlay.Profile.Title} reads nothing here." : $"{overlay.Profile.Title} reads nothing here; {near} is near.",
            near,
            false);
    }

    /// <summary>The path with the file's own ending, where the host reads that.</summary>
    private static PackPath? WithEnding(Overlay overlay, PackPath path, TreeFile file) =>
        PackPath.TryParse(path.Value + Path.GetExtension(file.Path.FileName).ToLowerInvariant(), out var ended, out _)
        && (overlay.Profile.Locate(ended, overlay.Edition) is not null || overlay.Profile.FindUnjudged(ended) is not null)
            ? ended
            : null;

    /// <summary>Paths that begin as the text does: those of base and pack, and the places' own patterns where nothing else fits.</summary>
    public static IReadOnlyList<string> Complete(Overlay overlay, string text)
    {
        var known = overlay.Base.Files.Where(f => f.Place is not null).Select(f => f.Path.Value)
            .Concat(overlay.Pack.Placements.Select(p => p.Path.Value))
            .Where(p => p.StartsWith(text, StringComparison.Ordinal) && p != text)
            .Distinct(StringComparer.Ordinal)
            .ToList();
        // One folder further at a time, as long as there is more than one to choose from.
        var next = known
            .Select(p => p.IndexOf('/', text.Length) is >= 0 and var slash ? p[..(slash + 1)] : p)
            .Distinct(StringComparer.Ordinal)
            .Order(StringComparer.Ordinal)
            .ToList();
        return [.. (next.Count > 1 ? next : known.Order(StringComparer.Ordinal).ToList()).Take(MostCompletions)];
    }

    /// <summary>A new name that is a slip away from one that is there.</summary>
    private static PackPath? NearName(Overlay overlay, Place place, Bindings bindings, PackPath path)
    {
        if (overlay.Base.Find(path) is not null || overlay.PackHas(path) || place.Pattern is not { Placeholders: [var hole] } pattern)
            return null;
        var name = bindings.Find(hole)!;
        var near = overlay.Base.In(place).Select(f => f.Bindings.Find(hole)!)
            .Concat(
                overlay.Profile.Groups
                    .Of(place)
                    .SelectMany(
                        p =>
                            overlay.Base
                                .In(p)
                                .Select(f => f.Bindings.Find(hole)!)
                                .Concat(overlay.Pack.In(p).Select(f => f.Bindings.Find(hole)!))))
            .FirstOrDefault(n => n is not null && n.Length > 3 && Slips.AreOneApart(n, name));
        return near is null ? null : pattern.Fill(bindings.With(hole, near));
    }
}
