using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The id in an entry does not end with the name that its path has.</summary>
/// <remarks>Host: dropped, misnamed. See docs/checks.md#entrymisnamed.</remarks>
public sealed class Misnamed : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/misnamed");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not NamesAgreeRule rule) yield break;
        var name = drop.Placement.Bindings.Find(rule.Placeholder)!;
        var id = drop.Placement.Field(rule.Field)!;
        var at = drop.Placement.Facts.Entry!.Text.Locate(rule.Field);
        yield return Report(
            overlay,
            drop,
            $"Its id is “{id}”, and the path says “{name}”: the id’s last word has to be the same ({at}).") with
        {
            Pointer = rule.Field,
            At = at,
            Fix = drop.Placement.Layer.IsBase
                ? null
                : new SetId(drop.Placement.Path, RightId(overlay, drop.Placement, rule.Field, id, name)),
        };
    }

    /// <summary>
    /// The id that the path asks for: the base's own where the file replaces one of the base's, else with the author's prefix.
    /// </summary>
    private static string RightId(Overlay overlay, Placement placement, string field, string id, string name)
    {
        if (overlay.OfBase(placement.Path)?.Field(field) is { } own) return own;
        return overlay.Pack.Manifest.Prefix is { } prefix ? $"{prefix}.{name}" : Id.WithName(id, name);
    }
}
