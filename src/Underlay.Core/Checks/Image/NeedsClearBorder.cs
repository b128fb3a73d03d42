using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>The outer ring of pixels is not clear.</summary>
/// <remarks>Host: a pale plate behind the picture. See docs/checks.md#imageneeds-clear-border.</remarks>
public sealed class NeedsClearBorder : RuleCheck<ClearBorderRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/needs-clear-border");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ClearBorderRule rule)
    {
        if (placement.Facts.Picture?.Pixels is not { FirstUnclearBorder: { } first } pixels) yield break;
        var lost = placement.Facts.Picture.Header!.HasAlpha ? "" : " The file has no alpha at all: it was probably lost on saving.";
        yield return Report(
            overlay,
            placement,
            rule.Else,
            $"The outer ring of pixels has to be clear, and {pixels.UnclearBorderPixels} of its pixels are not; the first is at "
                + $"{first}.{lost}") with
        {
            // A picture that is solid all over, or whose subject stands on its ground, would only get a frame.
            Fix = placement.Layer.IsBase || pixels.Alpha == AlphaUse.Solid || Cutout.FindLost(overlay, placement) is not null
                ? null
                : new ShapePicture(placement.Path, new ClearBorder()),
        };
    }
}
