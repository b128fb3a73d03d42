using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A mask has green in it, where only blue and red mean something.</summary>
/// <remarks>Host: unglazed. See docs/checks.md#imagemask-colours.</remarks>
public sealed class MaskColours : RuleCheck<MaskColoursRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/mask-colours");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, MaskColoursRule rule)
    {
        if (placement.Facts.Picture?.Pixels is { FirstGreen: { } first } pixels)
        {
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"A mask says {rule.Means}, with no green anywhere; {pixels.GreenPixels} pixels have some, the first at "
                    + $"{first}. White and grey count too.");
        }
    }
}
