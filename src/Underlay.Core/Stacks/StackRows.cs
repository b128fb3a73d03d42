using System.Collections.Concurrent;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>A row of the tables of a place, as the stack has it.</summary>
/// <param name="From">The table that the row is from.</param>
/// <param name="Row">The row.</param>
/// <param name="Values">Its values by column.</param>
public sealed record StackRow(Placement From, TableRow Row, IReadOnlyDictionary<string, string> Values);

/// <summary>
/// The rows of tables whose rows add to lower ones: of two with one key the pack's counts, and in one layer that of the later path.
/// </summary>
internal sealed class StackRows(Overlay overlay)
{
    private readonly ConcurrentDictionary<string, Dictionary<string, StackRow>> ofPack = new(StringComparer.Ordinal);

    /// <summary>The row of a key, or null.</summary>
    public StackRow? Find(Place place, string key) =>
        OfPack(place).GetValueOrDefault(key)
        ?? (overlay.Base.RowsOf(place).TryGetValue(key, out var below) ? Of(overlay.OfBase(below.File.Path)!, below.Row, place) : null);

    /// <summary>The pack's own rows, by key.</summary>
    public IReadOnlyDictionary<string, StackRow> OfPack(Place place)
    {
        ReadSet.NotePlace(place.Key);
        return ofPack.GetOrAdd(
            place.Key,
            _ =>
            {
                var rows = new Dictionary<string, StackRow>(StringComparer.Ordinal);
                foreach (var mine in overlay.Pack.In(place).Where(p => overlay.FindDrop(p.Path) is null))
                    foreach (var row in mine.Facts.Table?.Rows ?? []) rows[row.Key] = Of(mine, row, place);
                return rows;
            });
    }

    /// <summary>The row of a key in the table at a path: the pack's, else the base's.</summary>
    public static StackRow? FindIn(Placement? mine, Placement? below, string key)
    {
        foreach (var table in new[] { mine, below })
            if (table?.Facts.Table is { Problem: null } facts && facts.Rows.LastOrDefault(r => r.Key == key) is { } row)
                return Of(table, row, table.Place);
        return null;
    }

    private static StackRow Of(Placement from, TableRow row, Place place) => new(from, row, from.Facts.Table!.ValuesOf(row, place.Table!));
}
