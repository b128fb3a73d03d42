using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file of the pack has the bytes that the base of another edition has at the same path.</summary>
/// <remarks>Host: shows its own old file, and undoes what changed since. See docs/checks.md#packrolled-back.</remarks>
public sealed class RolledBack : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/rolled-back");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var placement in overlay.Pack.Placements)
        {
            if (overlay.Base.Find(placement.Path) is not { } now || now.Facts.Hash == placement.Facts.Hash) continue;
            if (overlay.OtherBases.LastOrDefault(b => b.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash) is not { } then) continue;
            var mayLeave = overlay.Reliance.StandsAlone(placement);
            yield return Report(
                overlay,
                placement,
                Consequence.Regret,
                $"It has the same bytes as the file of {then.Edition.Title}: it would undo what {overlay.Edition.Title} changed here.") with
            {
                Fix = mayLeave ? new TakeOut(placement.Path) : null,
                Shared = mayLeave ? new OldCopies(then.Edition, overlay.Edition) : null,
            };
        }
    }

    /// <summary>Many files of another edition.</summary>
    private sealed record OldCopies(Edition Then, Edition Now) : SharedCause("", Then.Key)
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{parts.Count} files have the bytes that they have in {Then.Title}: they would undo what {Now.Title} changed there.";

        public override Fix FindFix(IReadOnlyList<Finding> parts) => new SlimPack([.. parts.Select(p => PackPath.Parse(p.Path))]);
    }
}
