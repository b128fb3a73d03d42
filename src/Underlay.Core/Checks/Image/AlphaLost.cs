using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>The base's picture has alpha, the pack's came back solid: alpha was lost on the way through an editor.</summary>
/// <remarks>Host: a plate, a box or a halo, as the place says. See docs/checks.md#imagealpha-lost.</remarks>
public sealed class AlphaLost : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("image/alpha-lost");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (Replacement.Of(overlay, placement) is not { IsOpaque: true, WasOpaque: false } pair) yield break;
        if (overlay.RulesFor(placement).Any(r => r.Rule is AlphaRule { Allows: AlphaUse.Opaque })) yield break;
        var step = FindStep(overlay, placement, pair);
        var share = step is null
            ? ""
            : $" “{step.Title}” would make {pair.ClearAfterCut:P0} of it clear; the base’s is clear in {pair.ClearBefore:P0}.";
        yield return Report(
            overlay,
            placement,
            Consequence.Regret,
            $"The base’s {placement.Place.Noun} has clear pixels, yours is solid "
                + $"everywhere{(pair.Ground is { } on ? $", on #{on.R:x2}{on.G:x2}{on.B:x2}" : "")}: its alpha was lost on "
                + $"saving.{share}") with
        {
            Covers = ["image/needs-clear-border", "image/no-alpha", "image/unlike-base"],
            Fix = step is null ? null : new ShapePicture(placement.Path, step),
        };
    }

    private static PictureStep? FindStep(Overlay overlay, Placement placement, Replacement pair)
    {
        if (pair.Ground is { } ground) return new CutMatte(new Rgb(ground.R, ground.G, ground.B));
        return pair.IsSameSize && overlay.OfBase(placement.Path) is { } own && overlay.Decode(own) is { } theirs
            ? new TakeAlpha(theirs)
            : null;
    }
}
