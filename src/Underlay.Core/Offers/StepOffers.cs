using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>A step that could be added to a picture.</summary>
/// <param name="Title">What it would do to this picture, as words to press.</param>
/// <param name="Step">The step.</param>
public sealed record StepOffer(string Title, PictureStep Step);

/// <summary>Proposes steps for a picture: those that its place may ask for first.</summary>
public static class StepOffers
{
    private static readonly int[] Factors = [2, 3, 4, 8];

    /// <summary>The offers.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="placement">The picture, of the pack.</param>
    public static IReadOnlyList<StepOffer> For(Overlay overlay, Placement placement)
    {
        if (placement.Facts.Picture?.Header?.Size is not { } size || overlay.Decode(placement) is not { } picture) return [];
        var offers = new List<StepOffer>();
        void Offer(PictureStep step) => offers.Add(new StepOffer(step.TitleFor(size), step));
        if (WantedSize(overlay, placement) is { } wanted && wanted != size)
        {
            var first = Fitting.To(overlay, placement, size, wanted).Steps[0];
            Offer(first);
            foreach (var mode in Enum.GetValues<FitMode>())
                if (new FitToSize(wanted, mode, placement.Place.IsExact) is var fit
                    && fit != first
                    && first is FitToSize { Mode: not FitMode.Stretch })
                    Offer(fit);
        }

        foreach (var factor in Factors)
            if (Math.Max(size.Width, size.Height) * factor <= PackPictureFormat.MaxSide) Offer(new Enlarge(factor));
        if (picture.IsOpaque)
        {
            if (Matte.Find(picture) is { } ground) Offer(new CutMatte(new Rgb(ground.R, ground.G, ground.B)));
            if (overlay.OfBase(placement.Path) is { } own && overlay.Decode(own) is { IsOpaque: false } theirs)
                Offer(new TakeAlpha(theirs));
            Offer(new ClearBorder());
        }
        else
        {
            Offer(new ClearBorder());
            Offer(new HardenAlpha());
            Offer(new SpreadColour());
            Offer(new LayOnColour(default));
            if (overlay.OfBase(placement.Path) is { } own && overlay.Decode(own) is { } theirs) Offer(new LayOnPicture(theirs));
        }

        Offer(new ToGrey());
        if (placement.Place.RulesOf<WeightRule>(overlay.Edition).Any()) Offer(new FewerShades(5));
        return offers;
    }

    /// <summary>
    /// The size that the place asks for: its companion's, else the nearest to what is there; null where it asks for none.
    /// </summary>
    public static PixelSize? WantedSize(Overlay overlay, Placement placement)
    {
        var size = placement.Facts.Picture?.Header?.Size ?? new PixelSize(1, 1);
        var same = placement.Place.RulesOf<SameSizeRule>(overlay.Edition)
            .SelectMany(r => overlay.Targets(r.Places, placement.Bindings))
            .Select(p => overlay.Shown(p)?.Facts.Picture?.Header?.Size)
            .FirstOrDefault(s => s is not null);
        return same
            ?? overlay
                .RulesFor(placement)
                .Select(r => r.Rule)
                .OfType<SizeRule>()
                .Select(r => (PixelSize?)(r.Judge(size) is null ? size : Fitting.CompanionSize(overlay, placement, r) ?? r.Nearest(size)))
                .FirstOrDefault();
    }
}
