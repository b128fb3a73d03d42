using System.Text;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>
/// Writes a text anew as hosts read it: without a byte order mark, and a table with commas between its values. What it says stays
/// the same.
/// </summary>
/// <param name="Path">The file.</param>
/// <param name="Column">For a table, a column that its header has to have; null for other texts.</param>
/// <param name="Says">What is put right: "semicolons for commas".</param>
public sealed record PutTextRight(
    PackPath Path,
    string? Column,
    string Says) : Fix($"Put right {Says}", LosesNothing: true, LeavesNoChoice: true)
{
    /// <summary>The fix for a file that the host cannot read as it is, or null when this is not what is wrong with it.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">The file.</param>
    /// <param name="column">For a table, its key column.</param>
    public static PutTextRight? For(FileTree tree, PackPath path, string? column) =>
        tree.Find(path) is { Length: <= TextLimit.MostBytes } file && Mend(file.ReadAll(), column) is { } mended
            ? new PutTextRight(path, column, mended.Says)
            : null;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Path) is { } file && Mend(file.ReadAll(), Column) is { } mended ? [new TreeEdit.Write(Path, mended.Bytes)] : [];

    private static (byte[] Bytes, string Says)? Mend(byte[] bytes, string? column)
    {
        if (column is not null) return CsvEdit.PutRight(bytes, column);
        var mark = Encoding.UTF8.Preamble;
        return bytes.AsSpan().StartsWith(mark) ? (bytes[mark.Length..], "a byte order mark at its start") : null;
    }
}
