using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A row of the pack's table names a picture that is not there.</summary>
/// <remarks>Host: lists it and shows nothing. See docs/checks.md#tableno-file.</remarks>
public sealed class RowWithoutFile : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("table/no-file");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<ListedInRule>(overlay.Edition).Where(r => r.Table is not null))
                foreach (var table in overlay.Pack.In(overlay.Profile.Place(rule.Table!)).Where(t => overlay.FindDrop(t.Path) is null))
                    foreach (var finding in Inspect(overlay, place, rule, table)) yield return finding;
    }

    private IEnumerable<Finding> Inspect(Overlay overlay, Place place, ListedInRule rule, Placement table)
    {
        var shape = table.Place.Table!;
        foreach (var row in table.Facts.Table!.Rows.Where(r => r.Deed != RowDeed.Remove).DistinctBy(r => r.Key))
        {
            var path = place.Pattern!.Fill(Bindings.Of([(rule.Placeholder, row.Key)]));
            if (path is { } at && overlay.Shown(at) is not null) continue;
            yield return Report(
                overlay,
                table,
                Consequence.Regret,
                $"The row “{row.Key}” (line {row.Line}) is for {place.One}, and there is "
                    + $"none{(path is { } wanted ? $" at {wanted}" : " of such a name")}.") with
            {
                Discriminator = row.Key,
                At = new Formats.TextPosition(row.Line, 1),
                RestsOn = path is { } missing ? [missing] : [],
                Fix = new RemoveTableRows(table.Path, shape.Key, [row.Key], "Take the row out"),
            };
        }
    }
}
