using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>Runs the steps of a picture again on the source as it is now.</summary>
/// <param name="Path">The picture.</param>
public sealed record RenewResult(PackPath Path) : Fix("Make it anew from its source", LosesNothing: false, LeavesNoChoice: true)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(ReservedFolder.SourceOf(Path)) is { } source ? Shaping.Renew(tree, Path, source.ReadAll()).Edits : [];
}
