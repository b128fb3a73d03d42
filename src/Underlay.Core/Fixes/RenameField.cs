using Underlay.Core.Entries;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Gives a field of a JSON entry the name that the host reads; its value and all else stay as the author wrote them.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Name">Its right name.</param>
/// <param name="LeavesNoChoice">False when another name would be as likely.</param>
public sealed record RenameField(
    PackPath Path,
    string Field,
    string Name,
    bool LeavesNoChoice = true) : Fix($"Rename {FieldName.Quote(Field)} to “{Name}”", LosesNothing: false, LeavesNoChoice)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Path) is { } file && JsonEdit.Rename(JsonText.Parse(file.ReadAll()), Field, Name) is { } renamed
            ? [new TreeEdit.Write(Path, renamed)]
            : [];
}
