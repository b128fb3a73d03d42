using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry, a table or an index that is no text as hosts read it.</summary>
/// <remarks>Host: dropped, unreadable. See docs/checks.md#entryunreadable.</remarks>
public sealed class UnreadableEntry : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        var facts = drop.Placement.Facts;
        if (facts is { Picture: null, Sound: null, Unreadable: { } problem })
            yield return Report(overlay, drop, $"The text cannot be read: {problem}.") with
            {
                At = problem.At,
                Fix = drop.Placement.Layer.IsBase
                    ? null
                    : PutTextRight.For(overlay.Pack.Tree, drop.Placement.Path, drop.Placement.Place.Table?.Key),
            };
    }
}
