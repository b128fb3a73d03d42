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
    // A tile that is stretched by an eighth at most looks as it did.
    private const double LittleOff = 0.12;

    /// <summary>The size that is proposed, and why: "64 x 64 is nearest".</summary>
    public static string Proposal(Overlay overlay, Placement placement, SizeRule rule, PixelSize size) =>
        CompanionSize(overlay, placement, rule) is { } companion
            ? $"what goes with it has {companion}"
            : $"{rule.Nearest(size)} is nearest";

    /// <summary>
    /// The steps that bring a picture from one size to another in its place, and nothing of which their words do not speak.
    /// </summary>
    public static (string Says, IReadOnlyList<PictureStep> Steps) To(Overlay overlay, Placement placement, PixelSize from, PixelSize to)
    {
        var fit = new FitToSize(to, ModeFor(overlay, placement, from, to), Exact: placement.Place.IsExact);
        List<PictureStep> steps = [fit];
        var says = fit.TitleFor(from);
        if (KeepsRing(overlay, placement))
        {
            steps.Add(new ClearBorder());
            says += ", its outer ring clear as before";
        }

        if (HasEdgesToKeep(overlay, placement)) steps.Add(new HardenAlpha());
        return (says, steps);
    }

    /// <summary>The step that brings a picture of no place yet to a size, so that all of it is seen.</summary>
    public static FitToSize Whole(Place place, PixelSize from, PixelSize to) =>
        new(to, IsAlike(from, to) ? FitMode.Stretch : FitMode.Extend, Exact: place.IsExact);

    private static FitMode ModeFor(Overlay overlay, Placement placement, PixelSize from, PixelSize to)
    {
        double was = (double)from.Width / from.Height, becomes = (double)to.Width / to.Height;
        if (IsTile(overlay, placement))
            return Math.Abs(Math.Log(becomes / was)) <= LittleOff ? FitMode.Stretch : FitMode.Fill;
        return IsAlike(from, to)
            ? FitMode.Stretch
            // Clear margins around what is solid would only frame it.
            : TakesAlpha(placement.Place) && placement.Facts.Picture?.Pixels?.Alpha != AlphaUse.Solid
            ? FitMode.Inside
            : FitMode.Extend;
    }

    private static bool IsAlike(PixelSize from, PixelSize to) => (long)to.Width * from.Height == (long)to.Height * from.Width;

    /// <summary>True for what is laid side by side or around a thing, and what goes with such: bars beside it would be seen.</summary>
    private static bool IsTile(Overlay overlay, Placement placement) =>
        IsTile(placement.Place, overlay)
        || placement.Place.RulesOf<SameSizeRule>(overlay.Edition).SelectMany(r => r.Places).Any(
            key => overlay.Profile.Places.Any(p => p.Key == key && IsTile(p, overlay)));

    private static bool IsTile(Place place, Overlay overlay) =>
        place.RulesOf<SizeRule>(overlay.Edition).Any(r => r is { Square: true, PowerOfTwo: true } or { MultipleOf: > 1 });

    /// <summary>True where averaging could bring a little of what lies inside into an outer ring that is clear and has to be.</summary>
    private static bool KeepsRing(Overlay overlay, Placement placement) =>
        overlay.RulesFor(placement).Any(r => r.Rule is ClearBorderRule)
        && placement.Facts.Picture?.Pixels is { FirstUnclearBorder: null };

    /// <summary>
    /// True for a picture whose pixels are solid or clear, as they have to be there: averaging brings some in between.
    /// </summary>
    private static bool HasEdgesToKeep(Overlay overlay, Placement placement) =>
        placement.Facts.Picture?.Pixels?.Alpha == AlphaUse.Cut
        && overlay.RulesFor(placement).Any(r => r.Rule is AlphaRule { Allows: AlphaUse.Cut });

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
        place.Rules.Any(r => r is ClearBorderRule or SomeAlphaRule) && !place.Rules.Any(r => r is AlphaRule { Allows: AlphaUse.Solid });
}
