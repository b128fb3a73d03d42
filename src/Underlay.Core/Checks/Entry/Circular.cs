using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Entries take fields over from each other in a circle.</summary>
/// <remarks>Host: all of them dropped, circular. See docs/checks.md#entrycircular.</remarks>
public sealed class Circular : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/circular");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not InheritsRule rule || drop.Code != rule.Circle.Code) yield break;
        var by = drop.Placement.Place.Kind!.Inherits!.By;
        var at = drop.Placement.Facts.Entry!.Text.Locate(by);
        yield return Report(
            overlay,
            drop,
            $"{FieldName.Quote(by)} is “{drop.Placement.Field(by)}”, and that leads back to this one ({at}): break the circle at one "
                + $"of "
                + $"its entries.") with
        {
            Pointer = by,
            At = at,
        };
    }
}
