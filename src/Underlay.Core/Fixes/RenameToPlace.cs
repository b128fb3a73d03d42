using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Moves a file to the path that the host reads.</summary>
/// <param name="From">Where it is.</param>
/// <param name="To">Where it belongs.</param>
/// <param name="LeavesNoChoice">False when other paths are as near.</param>
public sealed record RenameToPlace(PackPath From, PackPath To, bool LeavesNoChoice) : Fix($"Rename to {To}", LosesNothing: true, LeavesNoChoice)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(From) is not null && tree.Find(To) is null ? [new TreeEdit.Move(From, To)] : [];
}
