using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Copies files of the base into the pack, marked as placeholders, so that what belongs together comes from one package.</summary>
/// <param name="Paths">The files; those that the pack has stay as they are.</param>
/// <param name="Says">What it does, as words to press: "Bring the other 2".</param>
public sealed record BringFiles(IReadOnlyList<PackPath> Paths, string Says) : Fix(Says, LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool IsOffer => true;

    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        context.Overlay is { } overlay
            ? Bring.Edits(overlay, tree, Paths.Where(p => tree.Find(p) is null).Select(p => new Brought(p, null)))
            : [];
}
