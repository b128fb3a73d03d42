using Underlay.Core.Packs;
using Underlay.Core.Renames;

namespace Underlay.Core.Fixes;

/// <summary>Gives an entry another id, and the fields and texts of the pack that name it along with it.</summary>
/// <param name="Path">The entry.</param>
/// <param name="Id">The id that it gets.</param>
public sealed record SetId(PackPath Path, string Id) : Fix($"Set “id” to {Id}", LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        context.Overlay is { } overlay ? EntryRename.EditsOfId(overlay, tree, Path, Id) : [];
}
