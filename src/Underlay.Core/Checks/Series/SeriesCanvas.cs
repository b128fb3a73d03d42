using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture of a series has another size than the first one.</summary>
/// <remarks>Host: jumping. Sizes in pixels. See docs/checks.md#seriescanvas.</remarks>
public sealed class SeriesCanvas : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("series/canvas");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var series in SeriesOf.All(overlay))
        {
            var first = series.Frames.FirstOrDefault(f => f.Number >= 1, series.Frames[0]).Picture;
            foreach (var (_, picture) in series.Frames)
            {
                if (picture.Facts.Picture?.Header?.Size is not { } size
                    || first.Facts.Picture?.Header?.Size is not { } canvas
                    || size == canvas)
                    continue;
                yield return Report(
                    overlay,
                    picture,
                    series.Rule.Canvas,
                    $"{(picture.Layer.IsBase ? "The base’s picture" : "It")} is {size}, "
                        + $"{first.Path.FileName} is {canvas}: all of a series "
                        + $"have one size.") with
                {
                    Fix = picture.Layer.IsBase ? null : ShapePicture.ToSize(overlay, picture, size, canvas),
                };
            }
        }
    }
}
