using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>What an entry claims needs something on its ground that nobody can walk to.</summary>
/// <remarks>Host: dropped, unreachable. See docs/checks.md#entryunreachable.</remarks>
public sealed class Unreachable : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unreachable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not ReachableRule rule) yield break;
        var text = drop.Placement.Facts.Entry!.Text;
        var gate = text.FindString(rule.Gate);
        foreach (var missing in Reachability.OutOfReach(overlay, rule, drop.Placement))
        {
            var at = text.Locate(missing.Pointer);
            var why = missing.Stands
                ? FormattableString.Invariant($"no way of lanes at least {rule.LeastWidth} m wide leads to it from “{gate}”")
                : "there is none";
            yield return Report(overlay, drop, $"“{missing.Claim}” needs a point of kind “{missing.Kind}”, and {why} ({at}).") with
            {
                Pointer = missing.Pointer,
                Discriminator = missing.Kind,
                At = at,
            };
        }
    }
}
