using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>
/// Chooses how a picture is fitted to what its place asks: by the size that its companions have, and so that nothing of it is cut.
/// </summary>
internal static class Fitting
{
    /// <summary>The size that is proposed, and why: "64 x 64 is nearest".</summary>
    public static string Proposal(Overlay overlay, Placement placement, SizeRule rule, PixelSize size) =>
        CompanionSize(overlay, placement, rule) is { } companion
            ? $"what goes with it has {companion}"
            : $"{rule.Nearest(size)} is nearest";

    /// <summary>The steps that bring a picture from one size to another in a place.</summary>
    public static IReadOnlyList<PictureStep> Steps(Place place, PixelSize from, PixelSize to)
    {
        var ringIsClear = place.Rules.Any(r => r is ClearBorderRule);
        var mode = (long)to.Width * from.Height == (long)to.Height * from.Width
            ? FitMode.Stretch
            : TakesAlpha(place)
            ? FitMode.Inside
            : FitMode.Extend;
        var fit = new FitToSize(to, mode, Exact: place.PixelNeed == PixelNeed.Colours);
        // Averaging can bring a little of what lies inside into a ring that was clear before.
        return ringIsClear ? [fit, new ClearBorder()] : [fit];
    }

    /// <summary>
    /// True for a picture whose pixels are solid or clear, as they have to be there: averaging brings some in between.
    /// </summary>
    public static bool HasEdgesToKeep(Overlay overlay, Placement placement) =>
        placement.Facts.Picture?.Pixels?.Alpha == AlphaUse.Mask
        && overlay.RulesFor(placement).Any(r => r.Rule is AlphaRule { Allows: AlphaUse.Mask });

    /// <summary>The size of a picture that has to agree with this one, where the place takes it.</summary>
    public static PixelSize? CompanionSize(Overlay overlay, Placement placement, SizeRule rule)
    {
        foreach (var companion in Tied(overlay, placement).OrderBy(c => c.Layer.IsBase))
            if (companion.Facts.Picture?.Header?.Size is { } size && rule.Judge(size) is null) return size;
        return null;
    }

    /// <summary>Pictures of the pack that have to agree with this one, and have the same size as it.</summary>
    public static IEnumerable<Placement> AsLarge(Overlay overlay, Placement placement, PixelSize size) =>
        Tied(overlay, placement)
            .Where(c => !c.Layer.IsBase && c.Facts.Picture is { IsReadable: true, Header.Size: var same } && same == size);

    private static IEnumerable<Placement> Tied(Overlay overlay, Placement placement) =>
        overlay.Profile.Places
            .Where(p => p.RulesOf<SameSizeRule>(overlay.Edition).Any(r => r.Places.Contains(placement.Place.Key)))
            .Select(p => p.Pattern?.Fill(placement.Bindings))
            .OfType<PackPath>()
            .Select(path => overlay.Shown(path))
            .OfType<Placement>();

    /// <summary>True where clear margins do no harm.</summary>
    private static bool TakesAlpha(Place place) =>
        place.Rules.Any(r => r is ClearBorderRule or SomeAlphaRule) && !place.Rules.Any(r => r is AlphaRule { Allows: AlphaUse.Opaque });
}
