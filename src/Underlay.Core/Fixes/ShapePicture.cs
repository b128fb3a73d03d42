using Underlay.Core.Images.Steps;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Adds shaping steps to a picture of the pack; its source is kept.</summary>
/// <param name="Path">The picture.</param>
/// <param name="Says">What the steps do, as words to press.</param>
/// <param name="Steps">The steps.</param>
public sealed record ShapePicture(
    PackPath Path,
    string Says,
    params IReadOnlyList<Step> Steps) : Fix(Says, LosesNothing: false, LeavesNoChoice: false)
{
    /// <summary>One step, which gives the fix its words.</summary>
    public ShapePicture(PackPath path, Step step)
        : this(path, step.Title, step)
    {
    }

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) => Shaping.Add(tree, Path, Steps).Edits;
}
