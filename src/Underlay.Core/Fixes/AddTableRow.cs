using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>
/// Adds a row for a name to a table of the pack, every column filled; a table that is not there yet is begun as one that adds
/// to the base's.
/// </summary>
/// <param name="Table">The table's path.</param>
/// <param name="Shape">Its columns.</param>
/// <param name="Name">The key of the row.</param>
public sealed record AddTableRow(
    PackPath Table,
    TableShape Shape,
    string Name) : Fix($"Add the row {Name} to {Table.FileName}", LosesNothing: true, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        var ofBase = context.Overlay?.Base.Find(Table)?.Facts.Table;
        var prefix = context.Overlay?.Pack.Manifest.Prefix;
        string Value(string column) =>
            column == Shape.Key ? Name : column == Shape.Merge ? "add" : RowDefaults.For(ofBase, column, Name, prefix);
        var csv = tree.Find(Table) is { } file ? CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) : CsvText.Read(HeaderOver(ofBase));
        // A file that cannot be read as a table is left to the author.
        return csv is not null && csv.Header.Contains(Shape.Key)
            ? [new TreeEdit.Write(Table, CsvEdit.Append(csv, csv.Header.Select(Value)))]
            : [];
    }

    /// <summary>The header of a new table that changes the one below.</summary>
    private string HeaderOver(TableFacts? ofBase)
    {
        var others = (ofBase?.Columns ?? [Shape.Key]).Where(c => c != Shape.Key);
        return string.Join(',', (string[])[Shape.Key, .. Shape.Merge is { } merge ? [merge] : Array.Empty<string>(), .. others]) + "\n";
    }
}
