using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>A sound has more channels than the host plays.</summary>
/// <remarks>Host: left_only. See docs/checks.md#soundchannels.</remarks>
public sealed class SoundChannels : RuleCheck<ChannelsRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/channels");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ChannelsRule rule)
    {
        if (placement.Facts.Sound?.Header is not { } header || header.Channels <= rule.Most) yield break;
        yield return Report(
            overlay,
            placement,
            rule.Else,
            FormattableString.Invariant(
                $"{(rule.Most == 1 ? "Mono" : $"At most {rule.Most} channels")} wanted, this has {header.Channels} channels.")) with
        {
            Fix = placement.Layer.IsBase || rule.Most != 1 ? null : new ShapeSound(placement.Path, new ToMono(ToMono.Both)),
        };
    }
}
