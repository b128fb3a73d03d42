using Underlay.Core.Entries;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The owner of a picture does not switch it on.</summary>
/// <remarks>Host: unlit. See docs/checks.md#companionnot-enabled.</remarks>
public sealed class NotEnabled : RuleCheck<EnabledByRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("companion/not-enabled");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, EnabledByRule rule)
    {
        var owner = overlay.FirstShown(rule.Places, placement.Bindings);
        if (owner is not null && overlay.Links.Number(owner, rule.Field) > rule.Above) yield break;
        var targets = overlay.Targets(rule.Places, placement.Bindings);
        var what = owner is null ? $"{targets[0]} is not there to switch it on" : $"{FieldName.Quote(rule.Field)} of {owner.Path} is {(overlay.Links.Value(owner, rule.Field) is null ? "not set" : "not above " + rule.Above.ToString(System.Globalization.CultureInfo.InvariantCulture))}";
        yield return Report(overlay, placement, rule.Else, $"{what.Capitalised()}, so the {placement.Place.Noun} has no effect.") with { RestsOn = targets };
    }
}
