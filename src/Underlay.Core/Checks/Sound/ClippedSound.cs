using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The tops of a sound's waves are cut off: it was recorded too loud.</summary>
/// <remarks>Host: plays it, distorted as it is. See docs/checks.md#soundclipped.</remarks>
public sealed class ClippedSound : RuleCheck<HeardRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/clipped");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, HeardRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Sound?.Measure is not { ClippedRuns: > 0 and var runs }) yield break;
        var where = runs == 1 ? "in one place" : FormattableString.Invariant($"in {runs} places");
        yield return Report(
            overlay,
            placement,
            Consequence.Regret,
            $"The tops of its waves are cut off {where}, which is heard as crackling; no step brings back what is gone.") with
        {
            Severity = Severity.Note,
        };
    }
}
