using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A field says what cannot be seen, since the thing that another field names has no part for it.</summary>
/// <remarks>Host: shows nothing of it. See docs/checks.md#entryseen-nowhere.</remarks>
public sealed class SeenNowhere : RuleCheck<SeenOnRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/seen-nowhere");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SeenOnRule rule)
    {
        if (placement.Layer.IsBase || overlay.Value(placement, rule.Field) is null) yield break;
        var place = overlay.Profile.Place(rule.Place);
        if (overlay.Text(placement, rule.By) is not { } name) yield break;
        if (place.Pattern!.Fill(Bindings.Of([(place.Pattern.Placeholders[0], name)])) is not { } path) yield break;
        // Where it names no parts at all, nothing is known of them.
        if (overlay.Shown(path)?.Facts.Entry?.Text is not { Problem: null } named) yield break;
        if (named.Find(rule.Part) is not null || named.Find(rule.Part[..rule.Part.LastIndexOf('/')]) is null) yield break;
        var isOwn = placement.Facts.Entry?.Text.Find(rule.Field) is not null;
        yield return Report(
            overlay,
            placement,
            rule.Else,
            $"{FieldName.Quote(rule.Field).Capitalised()}{(isOwn ? "" : ", which it takes over,")} is not seen on “{name}”: "
                + $"{path} has no {FieldName.Quote(rule.Part)}.") with
        {
            Pointer = rule.Field,
            RestsOn = [path],
        };
    }
}
