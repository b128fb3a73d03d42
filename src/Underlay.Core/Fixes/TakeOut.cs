using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Takes a file out of the pack whose bytes the base has too.</summary>
/// <param name="Path">The file.</param>
public sealed record TakeOut(PackPath Path) : Fix("Take it out", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        // The base's bytes are compared again: what the author changed meanwhile stays.
        var under = context.Overlay?.Base.Find(Path);
        return tree.Find(Path) is { } file && under is not null && ContentHash.Of(file.ReadAll()) == under.Facts.Hash ? [new TreeEdit.Delete(Path)] : [];
    }
}
