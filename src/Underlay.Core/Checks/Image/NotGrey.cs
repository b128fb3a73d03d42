using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture has colours where only shades of grey say something.</summary>
/// <remarks>Host: unlit. See docs/checks.md#imagenot-grey.</remarks>
public sealed class NotGrey : RuleCheck<GreyRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/not-grey");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, GreyRule rule)
    {
        if (placement.Facts.Picture?.Pixels?.FirstTinted is { } at)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"Red, green and blue have to be the same in every pixel: {rule.Means}. The first coloured one is at "
                    + $"{at}.") with
            {
                Fix = placement.Layer.IsBase
                    ? null
                    : new Fixes.ShapePicture(placement.Path, new Steps.ToGrey())
            };
    }
}
