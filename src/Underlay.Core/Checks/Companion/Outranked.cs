using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Another file of the stack is used in place of one of the pack's.</summary>
/// <remarks>Host: dropped, outranked. See docs/checks.md#companionoutranked.</remarks>
public sealed class Outranked : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("companion/outranked");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not OutrankedByRule rule) yield break;
        var first = overlay
            .Targets(rule.Places, drop.Placement.Bindings)
            .First(t => overlay.PackHas(t) || overlay.Base.Find(t) is not null);
        var isMine = overlay.PackHas(first);
        var advice = isMine ? $"Take the {drop.Placement.Path.FileName} out, or the {first.FileName}." : $"Save yours as {first.FileName}.";
        yield return Report(
            overlay,
            drop,
            $"{(isMine ? "Your" : "The base’s")} {first.FileName} beats every {drop.Placement.Path.FileName} here. {advice}") with
        {
            Fix = isMine && !drop.Placement.Layer.IsBase
                ? new SetAside(drop.Placement.Path)
                : !drop.Placement.Layer.IsBase
                    && overlay.Profile.Locate(first, overlay.Edition) is { Place.PictureFormat: { } format }
                    && !overlay.PackHas(first)
                ? SaveAs.For(overlay.Pack.Tree, drop.Placement.Path, first, format)
                : null,
        };
    }
}
