using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Images.Steps;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>Chooses how a picture is fitted to what its place asks.</summary>
internal static class Fitting
{
    /// <summary>The fix for a picture of the pack, or null for one of the base.</summary>
    public static Fix? For(Placement placement, SizeRule rule, PixelSize size)
    {
        if (placement.FromBase) return null;
        var wanted = rule.Nearest(size);
        var sameShape = (long)wanted.Width * size.Height == (long)wanted.Height * size.Width;
        var ringIsClear = placement.Place.Rules.Any(r => r is ClearBorderRule);
        var mode = sameShape ? FitMode.Stretch : ringIsClear ? FitMode.Inside : FitMode.Fill;
        var fit = new FitToSize(wanted, mode, Exact: placement.Place.PixelNeed == PixelNeed.Colours);
        // Averaging can bring a little of what lies inside into a ring that was clear before.
        return ringIsClear ? new ShapePicture(placement.Path, fit, new ClearBorder()) : new ShapePicture(placement.Path, fit);
    }
}
