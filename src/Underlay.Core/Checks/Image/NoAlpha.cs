using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture is solid everywhere, where something has to be clear.</summary>
/// <remarks>Host: holed. See docs/checks.md#imageno-alpha.</remarks>
public sealed class NoAlpha : RuleCheck<SomeAlphaRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/no-alpha");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SomeAlphaRule rule)
    {
        if (placement.Facts.Picture?.Pixels?.Alpha == AlphaUse.Solid)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"Every pixel is solid: {placement.Place.One} has clear corners around its form.");
    }
}
