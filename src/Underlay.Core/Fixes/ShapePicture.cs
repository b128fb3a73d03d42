using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Fixes;

/// <summary>Adds shaping steps to a picture of the pack; its source is kept.</summary>
/// <param name="Path">The picture.</param>
/// <param name="Says">What the steps do, as words to press.</param>
/// <param name="Steps">The steps.</param>
public sealed record ShapePicture(
    PackPath Path,
    string Says,
    params IReadOnlyList<PictureStep> Steps) : Fix(Says, LosesNothing: false, LeavesNoChoice: false)
{
    /// <summary>One step, which gives the fix its words.</summary>
    public ShapePicture(PackPath path, PictureStep step)
        : this(path, step.Title, step)
    {
    }

    /// <summary>Fits a picture of the pack to what a rule asks of its size; null for one of the base.</summary>
    public static ShapePicture? ToFit(Overlay overlay, Placement placement, SizeRule rule, PixelSize size)
    {
        if (placement.Layer.IsBase) return null;
        var steps = Fitting.Steps(placement.Place, size, Fitting.CompanionSize(overlay, placement, rule) ?? rule.Nearest(size));
        return new ShapePicture(
            placement.Path,
            steps[0].TitleFor(size),
            Fitting.HasEdgesToKeep(overlay, placement) ? [.. steps, new HardenAlpha()] : steps);
    }

    /// <inheritdoc/>
    public override PackPath? MadeOf => Path;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) => Shaping.Add(tree, Path, Steps).Edits;
}
