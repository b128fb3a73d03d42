using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file belongs to something that neither the pack nor the base has.</summary>
/// <remarks>Host: dropped, ownerless. See docs/checks.md#companionownerless.</remarks>
public sealed class Ownerless : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("companion/ownerless");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not RequiresRule rule) yield break;
        var targets = overlay.Targets(rule.Places, drop.Placement.Bindings);
        var owner = overlay.Profile.Place(rule.Places[0]);
        yield return Report(
            overlay,
            drop,
            $"{drop.Placement.Place.One.Capitalised()} belongs to {owner.One}, and there is none at {targets[0]}.") with
        { RestsOn = targets };
    }
}
