using Underlay.Core.Packs;
using Underlay.Core.Placements;

namespace Underlay.Core.Fixes;

/// <summary>Moves a file to the path that the host reads, and with it all that speaks of it.</summary>
/// <param name="From">Where it is.</param>
/// <param name="To">Where it belongs.</param>
/// <param name="LeavesNoChoice">False when other paths are as near.</param>
public sealed record RenameToPlace(
    PackPath From,
    PackPath To,
    bool LeavesNoChoice) : Fix($"Rename to {To}", LosesNothing: true, LeavesNoChoice)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IEnumerable<PackPath> Fills => [To];

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        Renaming.Edits(context.Profile, context.Edition, tree, From, To);
}
