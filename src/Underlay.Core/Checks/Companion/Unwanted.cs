using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>No entry names a picture that is only shown when one does.</summary>
/// <remarks>Host: dropped, ownerless. See docs/checks.md#companionunwanted.</remarks>
public sealed class Unwanted : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("companion/unwanted");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not WantedByRule rule) yield break;
        // The base's own under one of the pack's goes with that one.
        if (drop.Placement.Layer.IsBase && overlay.FindDrop(drop.Placement.Path) is { Rule: WantedByRule }) yield break;
        var value = drop.Placement.Bindings.Find(rule.Placeholder)!;
        var owner = overlay.Profile.Place(rule.Place);
        var had = overlay.Pack.In(owner).Where(p => p.Field(rule.Field) == value).Select(p => p.Path)
            .Concat(overlay.Base.LinksOf(owner).WithValue(rule.Field)[value].Select(f => f.Path));
        yield return Report(
            overlay,
            drop,
            $"{drop.Placement.Place.One.Capitalised()} is shown for {owner.One} whose {FieldName.Quote(rule.Field)} is “{value}”, and "
                + $"none has that.") with
        {
            RestsOn =
            [
                .. had.Where(p => overlay.Shown(p) is null || overlay.FindDrop(p) is not null),
            ]
        };
    }
}
