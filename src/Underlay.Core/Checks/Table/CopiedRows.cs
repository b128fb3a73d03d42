using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A table of the pack repeats rows of the base's.</summary>
/// <remarks>Host: no difference, until its own row changes. See docs/checks.md#tablecopied-rows.</remarks>
public sealed class CopiedRows : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("table/copied-rows");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase
            || placement.Place.Content != PlaceContent.Table
            || placement.Place.Table?.LaysRows != true
            || placement.Facts.Table is not { Problem: null } table)
            yield break;
        if (overlay.Base.Find(placement.Path) is not { Facts.Table: { } own } under || under.Facts.Hash == placement.Facts.Hash)
            yield break;
        var shape = placement.Place.Table;
        var rows = own.Rows
            .GroupBy(r => r.Key, StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => own.ValuesOf(g.Last(), shape), StringComparer.Ordinal);
        bool IsCopy(BaseFiles.TableRow row) =>
            row.Deed != BaseFiles.RowDeed.Remove && rows.TryGetValue(row.Key, out var values) && table.ValuesOf(row, shape) is var mine
            && mine.Count == values.Count && mine.All(v => values.GetValueOrDefault(v.Key) == v.Value);
        var copied = table.Rows.Where(IsCopy).Select(r => r.Key).ToList();
        if (copied.Count == 0) yield break;
        yield return Report(
            overlay,
            placement,
            Hosts.Rules.Consequence.Regret,
            $"{copied.Count} of its rows {(copied.Count == 1 ? "is" : "are")} the base’s own "
                + $"({string.Join(", ", copied.Take(5))}{(copied.Count > 5 ? ", …" : "")})"
                + (table.Replaces
                    ? $"; with a column “{shape.Merge}” the pack needs its own rows only."
                    : "; they change nothing.")) with
        {
            Severity = Severity.Note,
            Fix = table.Replaces
                ? new Fixes.MakeChanges(placement.Path, shape)
                : new Fixes.RemoveTableRows(
                    placement.Path,
                    shape.Key,
                    copied,
                    copied.Count == 1 ? "Take the row out" : $"Take the {copied.Count} rows out"),
        };
    }
}
