using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>A sound has a rate at which the host does not play.</summary>
/// <remarks>Host: pitched. See docs/checks.md#soundrate.</remarks>
public sealed class SoundRate : RuleCheck<RatesRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/rate");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, RatesRule rule)
    {
        if (placement.Facts.Sound?.Header is not { } header || rule.Allowed.Contains(header.Rate)) yield break;
        var rate = rule.Nearest(header.Rate);
        yield return Report(
            overlay,
            placement,
            rule.Else,
            FormattableString.Invariant($"{string.Join(" or ", rule.Allowed)} Hz wanted, this has {header.Rate} Hz.")) with
        {
            Fix = placement.Layer.IsBase || placement.Place.Format is not PackSoundFormat { OnlyRate: null }
                ? null
                : new ShapeSound(placement.Path, new ToRate(rate)),
        };
    }
}
