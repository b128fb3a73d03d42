using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Moves files out of folders that are too many around them.</summary>
/// <param name="Folder">The folder, without a slash at its end.</param>
/// <param name="Moves">Where each file goes.</param>
public sealed record LiftOut(string Folder, IReadOnlyList<RenameToPlace> Moves)
    : Fix($"Move {Moves.Count} files out of {Folder}", LosesNothing: true, LeavesNoChoice: Moves.All(m => m.LeavesNoChoice))
{
    /// <inheritdoc/>
    public override IEnumerable<PackPath> Fills => Moves.SelectMany(m => m.Fills);

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) => [.. Moves.SelectMany(m => m.Edit(tree, context))];
}
