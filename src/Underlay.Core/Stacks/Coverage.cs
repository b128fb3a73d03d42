using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>Which part of a place the pack supplies, in files.</summary>
/// <param name="Place">The place.</param>
/// <param name="InBase">The host's own files.</param>
/// <param name="Overrides">Files of the pack that lie over files of the base and differ from them.</param>
/// <param name="Copies">Files of the pack that are as in the base, byte for byte.</param>
/// <param name="Additions">Files of the pack on new paths.</param>
/// <param name="IsPartial">True where the overrides change rows of what they lie over, and do not replace it.</param>
public sealed record Coverage(Place Place, int InBase, int Overrides, int Copies, int Additions, bool IsPartial)
{
    /// <summary>The coverage of every place of the pack's edition, in the profile's order.</summary>
    public static IReadOnlyList<Coverage> Of(Overlay overlay)
    {
        var ofPack = overlay.Pack.Placements.ToLookup(p => p.Place.Key, StringComparer.Ordinal);
        return
        [
            .. overlay.Profile.Places
                .Where(place => place.Editions.Holds(overlay.Pack.Edition))
                .Select(place => Of(overlay, place, [.. ofPack[place.Key]])),
        ];
    }

    private static Coverage Of(Overlay overlay, Place place, IReadOnlyList<Placement> mine)
    {
        int overrides = 0, copies = 0;
        foreach (var file in mine)
        {
            if (overlay.Base.Find(file.Path) is not { } under) continue;
            if (under.Facts.Hash == file.Facts.Hash) copies++;
            else overrides++;
        }

        return new Coverage(
            place,
            overlay.Base.In(place).Count(),
            overrides,
            copies,
            mine.Count - overrides - copies,
            overrides > 0 && mine.All(f => f.Facts.Table is { Replaces: false }));
    }
}
