using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>
/// Alpha was lost on the way through an editor: the base’s picture has clear pixels and the pack’s came back solid, or the subject
/// of a picture that is to be cut out around its form still stands on its ground.
/// </summary>
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
        if (overlay.RulesFor(placement).Any(r => r.Rule is AlphaRule { Allows: AlphaUse.Solid })) yield break;
        if (Replacement.Of(overlay, placement) is { IsOpaque: true, WasOpaque: false } pair)
        {
            var fix = FindFix(overlay, placement, pair);
            yield return Describe(overlay, placement, Says(placement, pair, fix), fix);
        }
        else if (Cutout.FindLost(overlay, placement) is { Ground: { } ground } cutout)
        {
            var fix = Cut(placement, ground);
            yield return Describe(
                overlay,
                placement,
                $"Its subject stands on a solid rectangle of {Hex(ground)}, where {placement.Place.One} is cut out around its form: its "
                    + $"alpha was lost on saving. “{fix.Title}” would make {cutout.GroundShare:P0} of the rectangle clear.",
                fix);
        }
    }

    private static string Says(Placement placement, Replacement pair, ShapePicture? fix)
    {
        var on = pair.Ground is { } ground ? $", on {Hex(ground)}" : "";
        var share = fix is null
            ? ""
            : $" “{fix.Title}” would make {pair.ClearAfterCut:P0} of it clear; the base’s is clear in {pair.ClearBefore:P0}.";
        return $"The base’s {placement.Place.Noun} has clear pixels, yours is solid everywhere{on}: its alpha was lost on saving.{share}";
    }

    private Finding Describe(Overlay overlay, Placement placement, string because, ShapePicture? fix) =>
        Report(overlay, placement, Consequence.Regret, because) with
        {
            Covers = ["image/needs-clear-border", "image/no-alpha", "image/unlike-base"],
            Fix = fix,
        };

    private static ShapePicture? FindFix(Overlay overlay, Placement placement, Replacement pair)
    {
        if (pair.Ground is { } ground) return Cut(placement, ground);
        return pair.IsSameSize && overlay.OfBase(placement.Path) is { } own && overlay.Decode(own) is { } theirs
            ? new ShapePicture(placement.Path, new TakeAlpha(theirs))
            : null;
    }

    private static ShapePicture Cut(Placement placement, (byte R, byte G, byte B) ground) =>
        new(placement.Path, new CutMatte(new Rgb(ground.R, ground.G, ground.B)));

    private static string Hex((byte R, byte G, byte B) colour) => $"#{colour.R:x2}{colour.G:x2}{colour.B:x2}";
}
