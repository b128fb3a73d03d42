using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Renames;
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
        var what = owner is null
            ? $"{targets[0]} is not there to switch it on"
            : $"{FieldName.Quote(rule.Field)} of {owner.Path} is "
                + (overlay.Links.Value(owner, rule.Field) is null
                    ? "not set"
                    : string.Create(System.Globalization.CultureInfo.InvariantCulture, $"not above {rule.Above}"));
        yield return Report(overlay, placement, rule.Else, $"{what.Capitalised()}, so the {placement.Place.Noun} has no effect.") with
        {
            RestsOn = targets,
            Fix = FindFix(overlay, owner, rule),
        };
    }

    /// <summary>Switches it on as strongly as the base usually does; a base entry is brought into the pack for that.</summary>
    private static SetField? FindFix(Overlay overlay, Placement? owner, EnabledByRule rule)
    {
        if (owner is not { Facts.Entry.Text.Root.ValueKind: System.Text.Json.JsonValueKind.Object }) return null;
        var strength = UsualValues.Above(overlay, owner.Place, rule.Field, rule.Above);
        return SetField.To(owner.Path, rule.Field, strength, leavesNoChoice: false);
    }
}
