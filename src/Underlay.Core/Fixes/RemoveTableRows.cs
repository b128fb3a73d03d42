using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Takes rows out of a table.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="KeyColumn">The column that names rows.</param>
/// <param name="Keys">The rows.</param>
/// <param name="Says">What it does, as words to press.</param>
public sealed record RemoveTableRows(
    PackPath Table,
    string KeyColumn,
    IReadOnlyList<string> Keys,
    string Says) : Fix(Says, LosesNothing: false, LeavesNoChoice: false)
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
                CsvEdit.Remove(csv, row => row.Fields.ElementAtOrDefault(key) is { } name && Keys.Contains(name)))];
    }
}
