using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A sound lies in a folder of which the host plays nothing.</summary>
/// <remarks>Host: silent. See docs/checks.md#soundnever-played.</remarks>
public sealed class NeverPlayed : RuleCheck<NeverPlayedRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/never-played");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, NeverPlayedRule rule)
    {
        yield return Report(
            overlay,
            placement,
            rule.Else,
            $"{overlay.Profile.Title} plays {rule.Folders}, and nothing beside them.");
    }
}
