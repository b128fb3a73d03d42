using Underlay.Core.Codebooks;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Offers a picture the place whose pictures an index lists, where its name speaks of one thing of the index's codebook: by its name or
/// its code, whatever folder it lies in.
/// </summary>
internal sealed class IndexedPictures(Overlay overlay)
{
    // A name that speaks of one thing alone, and of all of it.
    private const double Spoken = 0.85;

    /// <summary>The paths, each with its reason.</summary>
    public IEnumerable<PlacementCandidate> For(SpokenPath spoken, TrayContent content)
    {
        if (content.Is != PlaceContent.Picture) yield break;
        foreach (var place in overlay.Profile.Places.Where(p => p.Content == PlaceContent.Picture && p.Editions.Holds(overlay.Edition)))
        {
            if (BookOf(place) is not { } book || Folder(place) is not { } folder) continue;
            if (book.Spoken.Best([.. spoken.Name.Words]) is not [{ Share: 1 } thing]) continue;
            var name = string.Join('_', spoken.Name.AllTokens.Select(t => t.Text));
            if (!PackPath.TryParse($"{folder}/{name}{Path.GetExtension(place.Pattern!.Text)}", out var target, out _)) continue;
            if (overlay.Profile.Locate(target, overlay.Edition)?.Place != place || overlay.Base.Find(target) is not null) continue;
            var says = $"{place.One} of “{book.NameOf(thing.Code)}”";
            yield return new PlacementCandidate(target, place, Spoken, says, IsNew: !overlay.PackHas(target));
        }
    }

    /// <summary>The codebook of what the index lists: of its levels that with the most codes.</summary>
    private Codebook? BookOf(Place place) =>
        place.RulesOf<IndexedRule>(overlay.Edition)
            .SelectMany(r => overlay.Profile.Place(r.Index).Index!.Levels)
            .Where(l => l.Identifies)
            .Select(l => overlay.Codebook(l.Codebook))
            .MaxBy(b => b.Codes.Count);

    /// <summary>The folder below which such pictures lie; null where the pattern has none.</summary>
    private static string? Folder(Place place) =>
        place.Pattern?.Text.Split('/') is [var first, .., _] && !first.Contains('{', StringComparison.Ordinal) ? first : null;
}
