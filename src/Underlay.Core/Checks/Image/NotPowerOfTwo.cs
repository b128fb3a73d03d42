using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Offers;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A side of a picture is no power of two where the place asks for one.</summary>
/// <remarks>Host: coarse. Sizes in pixels. See docs/checks.md#imagenot-power-of-two.</remarks>
public sealed class NotPowerOfTwo : RuleCheck<SizeRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/not-power-of-two");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SizeRule rule)
    {
        if (placement.Facts.Picture is { IsReadable: true, Header.Size: var size } && rule.Judge(size) == SizeFault.NotPowerOfTwo)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"{placement.Place.One.Capitalised()} is wanted as {rule}, yours is {size}; "
                    + $"{Fitting.Proposal(overlay, placement, rule, size)}.") with
            {
                Fix = ShapePicture.ToFit(overlay, placement, rule, size),
            };
    }
}
