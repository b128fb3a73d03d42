using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The name in a path stands in no codebook or table where the host looks it up.</summary>
/// <remarks>
/// Host: dropped, ownerless, where nothing can be added; unlisted where a table lacks the row. See docs/checks.md#namenot-listed.
/// </remarks>
public sealed class NotListed : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("name/not-listed");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not ListedInRule { Codebook: { } key } rule) yield break;
        var book = overlay.Codebook(key);
        var name = drop.Placement.Bindings.Find(rule.Placeholder)!;
        var near = Names.Slips.Nearest(book.Codes.Select(c => c.Value), name);
        var hint = near is null
            ? book.Codes.Count <= 12
            ? $" There are {string.Join(", ", book.Codes.Select(c => c.Value))}."
            : ""
            : $" “{near}” is near.";
        yield return Report(
            overlay,
            drop,
            $"“{name}” is none of {overlay.Profile.Title}’s {book.Title.ToLowerInvariant()}, and packs cannot add one.{hint}");
    }

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<ListedInRule>(overlay.Edition))
                if (rule.Table is { } table)
                    foreach (var finding in Inspect(overlay, place, rule, overlay.Profile.Place(table))) yield return finding;
    }

    private IEnumerable<Finding> Inspect(Overlay overlay, Place place, ListedInRule rule, Place table)
    {
        // A table of the pack may leave the base's own pictures without their rows.
        var replaced = overlay.Pack.In(table).Any(t => overlay.FindDrop(t.Path) is null);
        if (!replaced && !overlay.Pack.In(place).Any()) yield break;
        var keys = overlay.TableKeys(table);
        var file = table.Pattern!.Fill(Bindings.None)!.Value;
        foreach (var placement in overlay.ShownIn(place))
        {
            if (placement.Layer.IsBase && !replaced) break;
            var name = placement.Bindings.Find(rule.Placeholder)!;
            if (keys.Contains(name)) continue;
            var because = placement.Layer.IsBase
                ? $"Your {file} leaves out the base’s row “{name}”: without a column “{table.Table!.Merge}” it replaces the "
                    + $"whole table."
                : $"There is no row “{name}” in {file}.";
            yield return Report(overlay, placement, rule.Else, because) with
            {
                Rule = rule,
                RestsOn = [file],
                Fix = placement.Layer.IsBase ? new MakeChanges(file, table.Table!) : new AddTableRow(file, table.Table!, name),
                Shared = placement.Layer.IsBase ? new LeftOut(file, table.Table!) : null,
            };
        }
    }

    /// <summary>A table that replaces the base's and leaves some of its rows out.</summary>
    private sealed record LeftOut(PackPath Table, TableShape Shape) : SharedCause(Table.Value, "left-out")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"Your {Table.FileName} leaves out {parts.Count} rows of the base’s: without a column “{Shape.Merge}” it replaces the "
                + $"whole "
                + $"table. {parts[0].HostSays}";

        public override Fix FindFix(IReadOnlyList<Finding> parts) => new MakeChanges(Table, Shape);
    }
}
