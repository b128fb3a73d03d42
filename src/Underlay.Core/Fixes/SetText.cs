using Underlay.Core.Entries;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Sets a field of a JSON entry to another text; all else stays as the author wrote it.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Field">Pointer to a field of its root.</param>
/// <param name="Value">The text.</param>
/// <param name="LeavesNoChoice">False when another text would do as well.</param>
public sealed record SetText(PackPath Path, string Field, string Value, bool LeavesNoChoice = true) : Fix($"Set “{Field[1..]}” to {Value}", LosesNothing: false, LeavesNoChoice)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Path) is { } file && JsonText.Parse(file.ReadAll()) is { Problem: null } text ? [new TreeEdit.Write(Path, text.WithString(Field, Value))] : [];
}
