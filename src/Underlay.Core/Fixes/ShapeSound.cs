using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>
/// Adds a step to a sound; a loop in the table of its folder moves along. The file as it was is kept as the source, so that the step
/// can be taken off again.
/// </summary>
/// <param name="Path">The sound.</param>
/// <param name="Step">The step.</param>
public sealed record ShapeSound(PackPath Path, SoundStep Step) : Fix(Step.Title, LosesNothing: false, LeavesNoChoice: true)
{
    /// <summary>The source is kept by the steps.</summary>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        context.Overlay is { } overlay && overlay.OfPack(Path) is { } sound && SoundSeat.Of(overlay, sound) is { } seat
            ? SoundShaping.Add(tree, seat, Step).Edits
            : [];
}
