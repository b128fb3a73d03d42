using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A row of the pack's table has nothing in a column in which every row of the base has something.</summary>
/// <remarks>Host: shows an empty text. See docs/checks.md#tableempty-value.</remarks>
public sealed class EmptyTableValue : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("table/empty-value");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase
            || placement.Place.Table is not { RowsAdd: false }
            || placement.Facts.Table is not { Problem: null } table
            || overlay.Base.Find(placement.Path)?.Facts.Table is not { } ofBase)
            yield break;
        var shape = placement.Place.Table!;
        foreach (var row in table.Rows.Where(r => r.Deed != RowDeed.Remove))
            foreach (var (column, value) in table.ValuesOf(row, shape))
            {
                if (value.Length > 0 || !RowDefaults.IsFilled(ofBase, column)) continue;
                var usual = RowDefaults.For(ofBase, column, row.Key, overlay.Pack.Manifest.Prefix);
                yield return Report(
                    overlay,
                    placement,
                    Consequence.Regret,
                    $"The row “{row.Key}” (line {row.Line}) has nothing as “{column}”, which every row of the base has: it would "
                        + $"show as "
                        + $"an empty text.") with
                {
                    Discriminator = $"{row.Key}/{column}",
                    At = new Formats.TextPosition(row.Line, 1),
                    Fix = new SetTableValue(placement.Path, shape.Key, row.Key, column, usual),
                };
            }
    }
}
