using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Moves a file out of the way into the reserved folder, where it is never packaged.</summary>
/// <param name="Path">The file.</param>
public sealed record SetAside(PackPath Path) : Fix("Set it aside", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        PackPath.TryParse($"{ReservedFolder.Name}/aside/{Path}", out var aside, out _)
            && tree.Find(Path) is not null
            && tree.Find(aside) is null
            ? [new TreeEdit.Move(Path, aside)]
            : [];
}
