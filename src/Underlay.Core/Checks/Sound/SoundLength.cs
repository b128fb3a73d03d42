using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A sound is too short or too long for its place.</summary>
/// <remarks>Host: silent. See docs/checks.md#soundlength.</remarks>
public sealed class SoundLength : RuleCheck<LengthRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/length");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, LengthRule rule)
    {
        if (placement.Facts.Sound?.Header is not { } header || (header.Seconds >= rule.Least && header.Seconds <= rule.Most)) yield break;
        yield return Report(
            overlay,
            placement,
            rule.Else,
            FormattableString.Invariant($"{rule.Least} to {rule.Most} seconds are wanted, this has {header.Seconds:0.0#}."));
    }
}
