using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Offers;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A side of a picture cannot be divided as the place asks.</summary>
/// <remarks>Host: coarse. Sizes in pixels. See docs/checks.md#imagenot-a-multiple.</remarks>
public sealed class NotAMultiple : RuleCheck<SizeRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/not-a-multiple");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SizeRule rule)
    {
        if (placement.Facts.Picture is { IsReadable: true, Header.Size: var size } && rule.Judge(size) == SizeFault.NotAMultiple)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"{placement.Place.One.Capitalised()} is wanted with {rule}, yours is {size}; "
                    + $"{Fitting.Proposal(overlay, placement, rule, size)}.") with
            {
                Fix = ShapePicture.ToFit(overlay, placement, rule, size),
            };
    }
}
