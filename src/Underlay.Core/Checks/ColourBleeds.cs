using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Images.Steps;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Clear pixels beside visible ones have another colour, which bleeds into edges where the host scales.</summary>
/// <remarks>Host: a dark or bright seam. See docs/checks.md#imagecolour-bleeds.</remarks>
public sealed class ColourBleeds : Check
{
    private const double Most = 0.5;

    private static readonly ConditionalWeakTable<BaseCatalogue, ConcurrentDictionary<string, double>> UsualByPlace = [];

    /// <inheritdoc/>
    public override CheckCode Code => new("image/colour-bleeds");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Group;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Place.IsExact || overlay.RulesFor(placement).Any(r => r.Rule is AlphaRule { Allows: AlphaUse.Opaque })) yield break;
        if (Measure(overlay, placement) is not var (share, usual) || share < Most || usual > share / 2) yield break;
        yield return Report(overlay, placement, Consequence.Regret, $"{share:P0} of the clear pixels beside its edges have another colour than the edge (the base’s: {usual:P0}); it shows as a seam where the picture is scaled.") with
        {
            Severity = Severity.Note,
            Fix = new ShapePicture(placement.Path, new SpreadColour()),
        };
    }

    /// <summary>What bleeds here, and in the picture that it replaces, or for a new one in the first of the base's in its place: where those bleed too, the host's makers did not mind.</summary>
    private static (double Share, double Usual)? Measure(Overlay overlay, Placement placement)
    {
        if (Replacement.Of(overlay, placement) is { } pair) return (pair.Bleed, pair.BleedBefore);
        if (placement.FromBase || placement.Facts.Picture is not { IsReadable: true, Header.HasAlpha: true } || overlay.Base.Find(placement.Path) is not null) return null;
        return overlay.Decode(placement) is { IsOpaque: false } mine ? (Looks.BleedShare(mine), UsualIn(overlay, placement)) : null;
    }

    private static double UsualIn(Overlay overlay, Placement placement) =>
        UsualByPlace.GetOrCreateValue(overlay.Base).GetOrAdd(placement.Place.Key, _ => MeasureFirst(overlay, placement));

    private static double MeasureFirst(Overlay overlay, Placement placement)
    {
        var first = overlay.Base.In(placement.Place).FirstOrDefault(f => f.Facts.Picture is { IsReadable: true, Header.HasAlpha: true });
        return first is not null && overlay.OfBase(first.Path) is { } own && overlay.Decode(own) is { } picture ? Looks.BleedShare(picture) : 0;
    }
}
