using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Takes a file out of the pack whose bytes the base of some edition has too.</summary>
/// <param name="Path">The file.</param>
public sealed record TakeOut(PackPath Path) : Fix("Take it out", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        // The base's bytes are compared again: what the author changed meanwhile stays.
        if (tree.Find(Path) is not { } file || context.Overlay is not { } overlay) return [];
        var hash = file.Hash;
        return overlay.OtherBases.Prepend(overlay.Base).Any(b => b.Find(Path)?.Facts.Hash == hash) ? [new TreeEdit.Delete(Path)] : [];
    }
}
