using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A picture has another size than its place asks for.</summary>
/// <remarks>Host: stretched, coarse or blank, as the place says. Sizes in pixels. See docs/checks.md#imagewrong-size.</remarks>
public sealed class WrongSize : RuleCheck<SizeRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/wrong-size");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SizeRule rule)
    {
        if (placement.Facts.Picture is { IsReadable: true, Header.Size: var size } && rule.Judge(size) == SizeFault.OutOfRange)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"{placement.Place.One.Capitalised()} is wanted at {rule}, yours is {size}.{InOther(overlay, placement, size)}") with
            {
                Fix = ShapePicture.ToFit(
                    overlay,
                    placement,
                    rule,
                    size)
            };
    }

    /// <summary>The edition that took this size, where another did.</summary>
    private static string InOther(Overlay overlay, Placement placement, Images.PixelSize size)
    {
        var other = overlay.Profile.Editions.LastOrDefault(
            e => e != overlay.Edition && placement.Place.RulesOf<SizeRule>(e).Any(r => r.IsExact && r.Judge(size) is null));
        return other is null ? "" : $" {size} was the size in {other.Title}.";
    }
}
