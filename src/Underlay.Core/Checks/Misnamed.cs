using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
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
            Fix = drop.Placement.FromBase ? null : SetField.To(drop.Placement.Path, rule.Field, id[..(id.LastIndexOf('.') + 1)] + name, leavesNoChoice: false),
        };
    }
}
