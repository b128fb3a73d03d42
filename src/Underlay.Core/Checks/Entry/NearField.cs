using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A field of an entry is not known to the host, and its name is near one that is.</summary>
/// <remarks>Host: passes over it. See docs/checks.md#entrynear-field.</remarks>
public sealed class NearField : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/near-field");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement) =>
        placement.Layer.IsBase ? [] : Find(overlay, placement);

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) =>
        drop.Placement.Layer.IsBase ? [] : Find(overlay, drop.Placement);

    private IEnumerable<Finding> Find(Overlay overlay, Placement placement)
    {
        if (placement.Facts.Entry is not { } entry || placement.Place.Kind is not { } kind) yield break;
        foreach (var (pointer, near) in kind.FindNearFields(entry.Text))
            yield return Report(
                overlay,
                placement,
                Consequence.Regret,
                $"{overlay.Profile.Title} does not know the field {FieldName.Quote(pointer)} and passes over it; “{near}” is "
                    + $"near.") with
            {
                Pointer = pointer,
                At = entry.Text.Locate(pointer),
                Fix = new RenameField(placement.Path, pointer, near),
            };
    }
}
