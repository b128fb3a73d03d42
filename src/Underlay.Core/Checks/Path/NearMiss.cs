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
        foreach (var file in overlay.Pack.Unplaced)
        {
            if (overlay.Profile.FindUnjudged(file.Path) is not null) continue;
            var candidates = NearMissFinder.OfUnplaced(overlay, file);
            if (candidates.Count > 0)
            {
                yield return Describe(overlay, file.Path, candidates, $"{overlay.Profile.Title} does not read a file of this name") with
                {
                    Explains = [.. candidates.Select(c => c.Target)],
                    Shared = candidates[0] is { Folder: { } folder, FitsContent: true } ? new Around(folder, overlay.Profile.Title) : null,
                };
            }
        }
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
        yield return Describe(overlay, placement.Path, candidates, "This would be something new, and lacks what that needs") with
        {
            Explains =
            [
                .. missing,
                .. candidates.Select(c => c.Target),
            ]
        };
    }

    private Finding Describe(Overlay overlay, PackPath path, IReadOnlyList<NearMissCandidate> candidates, string what)
    {
        var best = candidates[0];
        var free = !overlay.PackHas(best.Target);
        var others = candidates.Count > 1 ? $" Also near: {string.Join(", ", candidates.Skip(1).Take(3).Select(c => c.Target))}." : "";
        var hint = !free
            ? " A file is already there."
            : best.FitsContent
            ? ""
            : " Its bytes are of another format, so renaming alone would not do.";
        var isOnly = candidates.Count == 1;
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
