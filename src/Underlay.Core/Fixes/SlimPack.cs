using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Takes files out of the pack whose bytes the base has too.</summary>
/// <param name="Paths">The files; none that another of the pack relies on.</param>
public sealed record SlimPack(IReadOnlyList<PackPath> Paths)
    : Fix($"Slim the pack: take {Paths.Count} files out", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        [.. Paths.SelectMany(p => new TakeOut(p).Edit(tree, context))];
}
