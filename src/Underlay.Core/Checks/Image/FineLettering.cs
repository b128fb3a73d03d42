using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Lettering is too fine or too faint to be read at the size at which it is shown.</summary>
/// <remarks>Host: shows a smudge. Contrast by WCAG 2.2; strokes in pixels. See docs/checks.md#imagefine-lettering.</remarks>
public sealed class FineLettering : RuleCheck<LetteringRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/fine-lettering");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, LetteringRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Picture is not { Header: { } header, Pixels.Lettering: var (contrast, stroke) })
            yield break;
        if (contrast < rule.Contrast)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"The contrast of its lettering is {contrast:0.0}:1; to be read at {header.Size} it needs {rule.Contrast:0.#}:1.") with
            { Discriminator = "contrast" };
        else if (stroke > 0 && stroke < rule.Stroke)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"The strokes of its lettering are about {stroke:0.0} pixels wide; to be read at {header.Size} they need "
                    + $"{rule.Stroke:0.#}.") with
            { Discriminator = "stroke" };
    }
}
