using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Writes the row of a sound into the table of its folder; a table that is not there yet is begun.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="Shape">Its columns.</param>
/// <param name="Name">The sound's name.</param>
/// <param name="Values">Values by column; columns that are not named stay as they are, or empty in a new row.</param>
public sealed record WriteSoundRow(PackPath Table, TableShape Shape, string Name, IReadOnlyDictionary<string, string> Values)
    : Fix(
        Values.Count == 0 ? $"Add the row {Name} to {Table.FileName}" : $"Let the loop of {Name} end with the sound",
        LosesNothing: Values.Count == 0,
        LeavesNoChoice: Values.Count == 0)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        Written(tree.Find(Table)?.ReadAll(), Shape, Name, Values, context.Overlay?.Base.Read(Table)) is { } bytes
            ? [new TreeEdit.Write(Table, bytes)]
            : [];

    /// <summary>A table with other values in a row; null where it cannot be read.</summary>
    /// <param name="table">The pack's table; null where it has none.</param>
    /// <param name="shape">Its columns.</param>
    /// <param name="name">The key of the row.</param>
    /// <param name="values">Values by column.</param>
    /// <param name="below">The base's table: what its row says and is not named here goes into a new one.</param>
    internal static byte[]? Written(
        byte[]? table,
        TableShape shape,
        string name,
        IReadOnlyDictionary<string, string> values,
        byte[]? below)
    {
        var header = string.Join(',', shape.Columns.Select(c => c.Name).Prepend(shape.Key)) + "\n";
        if (CsvText.Read(table is null ? header : Encoding.UTF8.GetString(table)) is not { } csv || !csv.Header.Contains(shape.Key))
            return null;
        if (!csv.Rows.Skip(1).Any(r => csv.Value(r, shape.Key) == name))
        {
            var under = below is null ? null : CsvText.Read(Encoding.UTF8.GetString(below));
            var old = under?.Rows.Skip(1).LastOrDefault(r => under.Value(r, shape.Key) == name);
            string Value(string column) =>
                column == shape.Key ? name : values.GetValueOrDefault(column) ?? (old is null ? "" : under!.Value(old, column) ?? "");
            return CsvEdit.Append(csv, csv.Header.Select(Value));
        }

        foreach (var (column, value) in values)
            csv = CsvText.Read(
                Encoding.UTF8.GetString(CsvEdit.SetColumn(csv, column, (row, old) => csv.Value(row, shape.Key) == name ? value : old)))!;
        return CsvEdit.SetColumn(csv, shape.Key, (_, old) => old);
    }
}
