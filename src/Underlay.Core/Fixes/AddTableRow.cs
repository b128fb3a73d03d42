using System.Text;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Adds a row for a name to a table of the pack; a table that is not there yet is begun as one that adds to the base's.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="Shape">Its columns.</param>
/// <param name="Name">The key of the row.</param>
public sealed record AddTableRow(PackPath Table, TableShape Shape, string Name) : Fix($"Add the row {Name} to {Table.FileName}", LosesNothing: true, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Table) is not { } file)
        {
            var header = Shape.Merge is { } merge ? $"{Shape.Key},{merge}\n{Name},add\n" : $"{Shape.Key}\n{Name}\n";
            return [new TreeEdit.Write(Table, Encoding.UTF8.GetBytes(header))];
        }

        var text = Encoding.UTF8.GetString(file.ReadAll());
        var columns = text.Split('\n')[0].TrimEnd('\r').Split(',');
        // A header that cannot be read this simply is left to the author.
        if (!columns.Contains(Shape.Key) || text.Contains('"', StringComparison.Ordinal)) return [];
        var row = string.Join(',', columns.Select(c => c == Shape.Key ? Name : c == Shape.Merge ? "add" : ""));
        return [new TreeEdit.Write(Table, Encoding.UTF8.GetBytes($"{(text.EndsWith('\n') ? text : text + "\n")}{row}\n"))];
    }
}
