using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture looks so unlike the base's that players may not know the thing again.</summary>
/// <remarks>Host: does not mind. Distances in Oklab. See docs/checks.md#imageunlike-base.</remarks>
public sealed class UnlikeBase : Check
{
    private const double Far = 0.3;

    /// <inheritdoc/>
    public override CheckCode Code => new("image/unlike-base");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Place.IsExact || Replacement.Of(overlay, placement) is not { Distance: >= Far and var distance }) yield break;
        yield return Report(
            overlay,
            placement,
            Consequence.Regret,
            $"It looks far from the base’s picture ({distance:0.00}, where {Far} and more is hard to know again): is it the right "
                + $"file?") with
        { Severity = Severity.Note };
    }
}
