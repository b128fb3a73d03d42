using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>No row of the pack's index names a picture.</summary>
/// <remarks>Host: dropped, unplaced. See docs/checks.md#indexmissing-row.</remarks>
public sealed class NotIndexed : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("index/missing-row");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not IndexedRule rule) yield break;
        var index = overlay.Profile.Place(rule.Index).Pattern!.Fill(Hosts.Bindings.None)!.Value;
        var isThere = overlay.PackHas(index);
        var because = isThere
            ? $"No row of {index} names this picture, so the host does not know what it shows."
            : $"There is no {index}, so the host does not know what this picture shows.";
        yield return Report(overlay, drop, because) with { RestsOn = [index], Shared = new NoRows(index, isThere, overlay.Profile.Title) };
    }

    private sealed record NoRows(PackPath Index, bool IsThere, string Host) : SharedCause(Index.Value, "rows")
    {
        public override string Says(IReadOnlyList<Finding> parts) => IsThere
            ? $"{parts.Count} pictures have no row in {Index}, so {Host} does not know what they show and leaves them out."
            : $"There is no {Index}, so {Host} does not know what {parts.Count} pictures show and leaves them out.";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) => null;
    }
}
