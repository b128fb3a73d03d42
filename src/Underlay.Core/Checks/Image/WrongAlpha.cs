using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>A picture's alpha takes values that its place, or the entry that describes it, does not allow.</summary>
/// <remarks>Host: holed, or unglazed for masks. Alpha 0 to 255. See docs/checks.md#imagealpha.</remarks>
public sealed class WrongAlpha : RuleCheck<AlphaRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/alpha");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, AlphaRule rule)
    {
        if (placement.Facts.Picture?.Pixels is not { } pixels || pixels.Alpha <= rule.Allows) yield break;
        var because = rule.Allows == AlphaUse.Solid
            ? $"Every pixel has to be solid (alpha 255); the first that is not is at {pixels.FirstClear}. Laid on a ground, colours that "
                + $"are hidden under clear pixels stay hidden."
            : $"Every pixel has to be solid or clear (alpha 255 or 0); the first in between is at {pixels.FirstPartial}.";
        yield return Report(overlay, placement, rule.Else, because) with
        {
            Fix = placement.Layer.IsBase
                ? null
                : rule.Allows == AlphaUse.Solid
                ? MakeSolid.For(overlay, placement)
                : new ShapePicture(placement.Path, new HardenAlpha()),
        };
    }
}
