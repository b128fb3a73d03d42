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
            yield return Report(overlay, placement, rule.Else, $"{placement.Place.One.Capitalised()} is wanted at {rule}, yours is {size}.") with { Fix = Fitting.For(placement, rule, size) };
    }
}
