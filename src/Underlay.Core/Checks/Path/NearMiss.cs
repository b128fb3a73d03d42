using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A path is one slip away from one that the host would read: a letter, the case, a plural, a folder, an extension.</summary>
/// <remarks>Host: does not read it, and shows what it shows without it. See docs/checks.md#pathnear-miss.</remarks>
public sealed class NearMiss : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("path/near-miss");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var near = overlay.Pack.Unplaced
            .Where(f => overlay.Profile.FindUnjudged(f.Path) is null)
            .Select(f => (File: f, Candidates: NearMissFinder.OfUnplaced(overlay, f)))
            .Where(n => n.Candidates.Count > 0)
            .ToList();
        var wanted = near.ToLookup(n => n.Candidates[0].Target, n => n.File.Path);
        foreach (var (file, candidates) in near)
            yield return Describe(
                overlay,
                file.Path,
                candidates,
                $"{overlay.Profile.Title} does not read a file of this name",
                [.. wanted[candidates[0].Target].Where(p => p != file.Path)]) with
            {
                Explains = [.. candidates.Select(c => c.Target)],
                Shared = candidates[0] is { Folder: { } folder, FitsContent: true } ? new Around(folder, overlay.Profile.Title) : null,
            };
    }

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement) =>
        placement.Layer.IsBase ? [] : InspectAddition(overlay, placement);

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) => Inspect(overlay, drop.Placement);

    private IEnumerable<Finding> InspectAddition(Overlay overlay, Placement placement)
    {
        var (candidates, missing) = NearMissFinder.OfAddition(overlay, placement);
        if (candidates.Count == 0) yield break;
        // What the near name lacks is this very file, so that one renaming mends both.
        yield return Describe(overlay, placement.Path, candidates, "This would be something new, and lacks what that needs", []) with
        {
            Explains =
            [
                .. missing,
                .. candidates.Select(c => c.Target),
            ]
        };
    }

    private Finding Describe(
        Overlay overlay,
        PackPath path,
        IReadOnlyList<NearMissCandidate> candidates,
        string what,
        IReadOnlyList<PackPath> rivals)
    {
        var best = candidates[0];
        var free = !overlay.PackHas(best.Target);
        var others = candidates.Count > 1 ? $" Also near: {string.Join(", ", candidates.Skip(1).Take(3).Select(c => c.Target))}." : "";
        var hint = !free
            ? " A file is already there."
            : rivals.Count > 0
            ? $" {rivals[0]}{(rivals.Count > 1 ? $" and {rivals.Count - 1} more" : "")} would go there too: choose one."
            : best.FitsContent
            ? ""
            : " Its bytes are of another format, so renaming alone would not do.";
        var isOnly = candidates.Count == 1 && rivals.Count == 0;
        return new Finding
        {
            Code = Code,
            Severity = Severity.Warning,
            Path = path.Value,
            Message = $"{what}; but for {best.Slip} it would be {best.Target}.{others}{hint}",
            Fix = !free ? null
                : best.FitsContent ? new RenameToPlace(path, best.Target, isOnly)
                : best.Picture is { } format
                    && SaveAs.For(overlay.Pack.Tree, path, best.Target, format) is { } save ? save with { LeavesNoChoice = isOnly }
                : null,
            Saw = new Dictionary<PackPath, ContentHash> { [path] = overlay.Pack.Facts[path].Hash },
        };
    }

    /// <summary>Folders around many files that the host would read without them.</summary>
    private sealed record Around(string Folder, string Host) : SharedCause(Folder, "folder")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"The folder “{Folder}” lies around {parts.Count} files that {Host} would read without it: "
                + $"{(Folder.Contains('/', StringComparison.Ordinal) ? "folders" : "one folder")} too many.";

        public override Fix FindFix(IReadOnlyList<Finding> parts) =>
            new LiftOut(Folder, [.. parts.Select(p => p.Fix).OfType<RenameToPlace>()]);
    }
}
