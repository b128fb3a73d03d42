using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Sets a value of a row of a table.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="KeyColumn">The column that names rows.</param>
/// <param name="Key">The row.</param>
/// <param name="Column">The column.</param>
/// <param name="Value">The value.</param>
public sealed record SetTableValue(PackPath Table, string KeyColumn, string Key, string Column, string Value)
    : Fix($"Set “{Column}” of {Key} to {Value}", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Table) is not { } file || CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is not { } csv) return [];
        var key = csv.Header.ToList().IndexOf(KeyColumn);
        return key < 0
            ? []
            : [new TreeEdit.Write(
                Table,
                CsvEdit.SetColumn(csv, Column, (row, value) => row.Fields.ElementAtOrDefault(key) == Key ? Value : value))];
    }
}
