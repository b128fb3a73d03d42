using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A new path is one that another edition's base has: what it was meant to replace has another name now, or is gone.</summary>
/// <remarks>Host: takes it for something new. See docs/checks.md#editionrenamed.</remarks>
public sealed class RenamedSince : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("edition/renamed");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var placement in overlay.Pack.Placements)
        {
            if (placement.Place.Pattern is not { HasAnyFolders: false } || overlay.Base.Find(placement.Path) is not null) continue;
            if (OtherEditions.FindPath(overlay, placement) is not { } other) continue;
            var (had, target) = other;
            // Where the host leaves it out, the finding that says why says enough.
            if (target is null && overlay.FindDrop(placement.Path) is not null) continue;
            var says = target is { } path
                ? $"{had.Edition.Title} had its own file here; in {overlay.Edition.Title} that is {path}. The pack replaces nothing as "
                    + $"it is."
                : $"{had.Edition.Title} had its own file here, {overlay.Edition.Title} has none: this is something new now.";
            yield return Report(overlay, placement, Hosts.Rules.Consequence.Regret, says) with
            {
                Covers = ["name/prefix", "path/near-miss", "companion/missing", "companion/ownerless"],
                Fix = target is { } to && !overlay.PackHas(to) ? new RenameToPlace(placement.Path, to, LeavesNoChoice: true) : null,
                Explains = target is null ? [] : [placement.Path],
            };
        }
    }
}
