using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Most of what can be seen in a picture lies where the host covers it.</summary>
/// <remarks>Host: hides it behind a frame. See docs/checks.md#imageoutside-frame.</remarks>
public sealed class OutsideFrame : RuleCheck<SeenThroughRule>
{
    private const double Most = 1.5;

    /// <inheritdoc/>
    public override CheckCode Code => new("image/outside-frame");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, SeenThroughRule rule)
    {
        if (placement.Layer.IsBase
            || overlay.Decode(placement) is not { } mine
            || SourceReader.Read(overlay.Profile.Masks[rule.Mask]).Picture is not { } mask)
            yield break;
        var detail = Looks.DetailOutside(mine, mask);
        if (detail > Most)
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"There is {detail:0.0} times as much to see outside the frame through which it is shown as inside: what matters has to "
                    + $"lie inside.");
    }
}
