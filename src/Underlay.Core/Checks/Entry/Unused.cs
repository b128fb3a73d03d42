using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The pack adds an entry that is only seen through others, and none of them names it.</summary>
/// <remarks>Host: nobody ever sees it. See docs/checks.md#entryunused.</remarks>
public sealed class Unused : RuleCheck<UsedByRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unused");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, UsedByRule rule)
    {
        // What lies over the base's is used, or not, as that was.
        if (placement.Layer.IsBase || overlay.Base.Find(placement.Path) is not null) yield break;
        if (placement.Place.Id is not { } pointer || placement.Field(pointer) is not { } id) yield break;
        var users = overlay.Profile.Place(rule.Place);
        if (overlay.WithValue(users, rule.Field, id).Any()) yield break;
        yield return Report(
            overlay,
            placement,
            rule.Else,
            $"No {users.Noun} has {FieldName.Quote(rule.Field)} “{id}”, so that this {placement.Place.Noun} is never seen.") with
        {
            Severity = Severity.Note,
        };
    }
}
