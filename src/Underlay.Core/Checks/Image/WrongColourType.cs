using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A PNG is stored in a colour type that its place does not take.</summary>
/// <remarks>Host: blank. See docs/checks.md#imagecolour-type.</remarks>
public sealed class WrongColourType : RuleCheck<ColourTypesRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/colour-type");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ColourTypesRule rule)
    {
        if (placement.Facts.Picture is { IsReadable: true, Header.Colour: var colour } && !rule.Allowed.Contains(colour))
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"It is stored as {Word(colour)}, where {string.Join(" or ", rule.Allowed.Select(Word))} is wanted: save it anew in that "
                    + $"form.");
    }

    private static string Word(PngColour colour) => colour switch
    {
        PngColour.Grey => "grey",
        PngColour.Rgb => "full colour",
        PngColour.Palette => "a palette",
        PngColour.GreyAlpha => "grey with alpha",
        _ => "full colour with alpha",
    };
}
