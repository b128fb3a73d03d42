using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry, a table or an index lacks something or has a value that the host does not take.</summary>
/// <remarks>Host: dropped, rejected. See docs/checks.md#entryrejected.</remarks>
public sealed class RejectedEntry : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/rejected");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        var facts = drop.Placement.Facts;
        if (drop.Rule is InheritsRule inherits && drop.Code == inherits.Lacking.Code)
        {
            var kind = drop.Placement.Place.Kind!.Inherits!;
            var (place, like) = (drop.Placement.Place, drop.Placement.Field(kind.By));
            var lacking = kind.Required.Where(f => drop.Placement.Facts.Entry!.Text.Find($"/{f}") is null);
            yield return Report(
                overlay,
                drop,
                $"It has no {string.Join(" and no ", lacking.Select(f => $"“{f}”"))} of its own, and “{like}” did not give "
                    + $"it.") with
            {
                RestsOn = [.. overlay.Pack.In(place).Where(p => p.Field(place.Id!) == like).Select(p => p.Path)],
            };
        }

        if (drop.Rule is not null || facts.Unreadable is not null) yield break;
        // One for all faults of the file, however many it has.
        var textPutRight = new Lazy<Fix?>(
            () => PutTextRight.For(overlay.Pack.Tree, drop.Placement.Path, drop.Placement.Place.Table?.Key));
        foreach (var fault in facts.Faults)
        {
            // What is missing from the entry as a whole stands nowhere in it.
            var at = fault.At ?? (fault.Pointer.Length == 0 ? null : facts.Entry?.Text.Locate(fault.Pointer));
            var near = fault.Field.Length == 0 || facts.Entry is null
                ? null
                : drop.Placement.Place.Kind?
                    .FindNearFields(facts.Entry.Text)
                    .FirstOrDefault(n => n.Near == fault.Field && n.Pointer[..n.Pointer.LastIndexOf('/')] == fault.Pointer).Pointer;
            yield return Report(
                overlay,
                drop,
                $"{fault.Says.Capitalised()}{(fault.At is null && at is { } position ? $" ({position})" : "")}"
                + $"{(near is null ? "" : $"; {FieldName.Quote(near)} is near")}.") with
            {
                Pointer = fault.Pointer,
                Discriminator = fault.Field,
                Covers = near is null ? [] : ["entry/near-field"],
                At = at,
                Fix = drop.Placement.Layer.IsBase
                    ? null
                    : near is not null
                    ? new RenameField(drop.Placement.Path, near, fault.Field)
                    : textPutRight.Value,
            };
        }
    }
}
