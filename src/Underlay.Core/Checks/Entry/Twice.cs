using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Two entries have a value that only one may have: an id, a number.</summary>
/// <remarks>
/// Host: one of them dropped, twice. The finding stands at the author's, whichever that is. See docs/checks.md#entrytwice.
/// </remarks>
public sealed class Twice : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/twice");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not UniqueRule rule) yield break;
        var value = drop.Placement.Field(rule.Field)!;
        var kept = overlay.Links.WithValue(drop.Placement.Place, rule.Field, value).FirstOrDefault();
        // Where the host leaves its own out, the author's file is the one to change.
        var mine = drop.Placement.Layer.IsBase && kept is { Layer.IsBase: false } ? kept : drop.Placement;
        var other = mine == drop.Placement ? kept : drop.Placement;
        var free = FreeNumber.After(overlay, drop.Placement.Place, rule.Field, value);
        var at = mine.Facts.Entry!.Text.Locate(rule.Field);
        var names = other is null ? "another" : $"{(other.Layer.IsBase ? "the base’s " : "")}{other.Path}";
        yield return Report(
            overlay,
            drop,
            $"{FieldName.Quote(rule.Field)} is “{value}”, as in {names}: two cannot have the same "
                + $"({at}).{(free is null ? "" : $" {free} is free.")}") with
        {
            Path = mine.Path.Value,
            Pointer = rule.Field,
            At = at,
            Saw = new Dictionary<PackPath, ContentHash> { [mine.Path] = mine.Facts.Hash },
            Fix = free is null || mine.Layer.IsBase ? null : SetField.To(mine.Path, rule.Field, free, leavesNoChoice: false),
        };
    }
}
