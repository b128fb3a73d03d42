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

    /// <summary>What else of the pack is shaped along, so that sizes that have to agree still do.</summary>
    public IReadOnlyList<ShapePicture> Along { get; init; } = [];

    /// <summary>
    /// Fits a picture of the pack to what a rule asks of its size, and with it what has its size and has to; null for one of the base.
    /// </summary>
    public static ShapePicture? ToFit(Overlay overlay, Placement placement, SizeRule rule, PixelSize size)
    {
        if (placement.Layer.IsBase) return null;
        var wanted = Fitting.CompanionSize(overlay, placement, rule) ?? rule.Nearest(size);
        var fit = ToSize(overlay, placement, size, wanted);
        var tied = Fitting.AsLarge(overlay, placement, size).ToList();
        return tied.Count == 0
            ? fit
            : fit with
            {
                Title = $"{fit.Title}, and {string.Join(" and ", tied.Select(t => t.Place.One))} with it",
                Along = [.. tied.Select(t => ToSize(overlay, t, size, wanted))],
            };
    }

    /// <summary>Fits a picture of the pack to a size.</summary>
    public static ShapePicture ToSize(Overlay overlay, Placement placement, PixelSize size, PixelSize wanted)
    {
        var (says, steps) = Fitting.To(overlay, placement, size, wanted);
        return new ShapePicture(placement.Path, says, steps);
    }

    /// <inheritdoc/>
    public override bool ComesLast => Steps is [ClearBorder or HardenAlpha];

    /// <inheritdoc/>
    public override PackPath? MadeOf => Along.Count == 0 ? Path : null;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        [.. Shaping.Add(tree, Path, Steps).Edits, .. Along.SelectMany(a => a.Edit(tree, context))];
}
