using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

/// <summary>A row of the base's.</summary>
/// <param name="Values">By column, the key's among them.</param>
internal sealed record BaseRow(string Key, IReadOnlyDictionary<string, string> Values);

/// <summary>What a table of the pack is laid over.</summary>
/// <param name="Key">The column whose value names the row.</param>
/// <param name="Merge">The column that says what a row does; a file without it replaces the base's whole. Null where there is none.</param>
/// <param name="RowsAdd">Rows stand beside the base's, whether there is such a column or not.</param>
/// <param name="Columns">The base's columns in its order, then those that the host wants besides.</param>
/// <param name="Numbers">Columns that hold numbers.</param>
/// <param name="Below">The base's rows at the same path; of two with one key the one that counts.</param>
internal sealed record TableView(
    string Key,
    string? Merge,
    bool RowsAdd,
    IReadOnlyList<string> Columns,
    IReadOnlyList<string> Numbers,
    IReadOnlyList<BaseRow> Below)
{
    public static TableView? Of(PackSnapshot snapshot, Place? place, PackPath path)
    {
        if (place?.Table is not { } shape) return null;
        var own = snapshot.Overlay?.Base.Find(path)?.Facts.Table is { Problem: null } read ? read : null;
        return new TableView(
            shape.Key,
            shape.Merge,
            shape.RowsAdd,
            [
                .. (own?.Columns ?? []).Where(c => c != shape.Merge).Prepend(shape.Key).Concat(shape.Columns.Select(c => c.Name))
                    .Distinct(StringComparer.Ordinal),
            ],
            [.. shape.Columns.Where(c => c.Holds != ColumnHolds.Text).Select(c => c.Name)],
            [
                .. (own?.Rows ?? []).GroupBy(r => r.Key, StringComparer.Ordinal)
                    .Select(g => new BaseRow(g.Key, ValuesOf(own!, g.Last()))),
            ]);
    }

    private static Dictionary<string, string> ValuesOf(TableFacts table, TableRow row) =>
        table.Columns.Zip(row.Values).ToDictionary(c => c.First, c => c.Second, StringComparer.Ordinal);
}
