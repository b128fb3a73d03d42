using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>Which part of a place the pack supplies, in files.</summary>
/// <param name="Place">The place.</param>
/// <param name="InBase">The host's own files.</param>
/// <param name="Overrides">Files of the pack on paths of the base.</param>
/// <param name="Additions">Files of the pack on new paths.</param>
public sealed record Coverage(Place Place, int InBase, int Overrides, int Additions)
{
    /// <summary>The coverage of every place of the pack's edition, in the profile's order.</summary>
    public static IReadOnlyList<Coverage> Of(Overlay overlay)
    {
        var ofPack = overlay.Pack.Placements.ToLookup(p => p.Place.Key, StringComparer.Ordinal);
        return
        [
            .. overlay.Profile.Places
                .Where(place => place.Editions.Holds(overlay.Pack.Edition))
                .Select(place =>
                {
                    var overrides = ofPack[place.Key].Count(p => overlay.Base.Find(p.Path) is not null);
                    return new Coverage(place, overlay.Base.In(place).Count(), overrides, ofPack[place.Key].Count() - overrides);
                }),
        ];
    }
}
