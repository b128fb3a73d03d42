using Underlay.Core.Images.Steps;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>Adds shaping steps to a picture of the pack; its source is kept.</summary>
/// <param name="Path">The picture.</param>
/// <param name="Steps">The steps; the first gives the fix its title.</param>
public sealed record ShapePicture(PackPath Path, params IReadOnlyList<Step> Steps) : Fix(Steps[0].Title, LosesNothing: false, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) => Shaping.Add(tree, Path, Steps).Edits;
}
