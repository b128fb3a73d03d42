using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Gives a row of a table another key.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="KeyColumn">The column that names rows.</param>
/// <param name="Old">The key that it has.</param>
/// <param name="New">The key that it gets.</param>
public sealed record SetRowKey(PackPath Table, string KeyColumn, string Old, string New)
    : Fix($"Make it “{New}”", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Table) is { } file && CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is { } csv
            ? [new TreeEdit.Write(Table, CsvEdit.SetColumn(csv, KeyColumn, (_, key) => key == Old ? New : key))]
            : [];
}
