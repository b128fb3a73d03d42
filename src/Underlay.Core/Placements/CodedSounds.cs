using System.Globalization;
using Underlay.Core.Codebooks;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Offers a sound the places that hold numbered sounds of a codebook's things: by the thing that its name or folder speaks of, under the
/// number that it has or the first that is free.
/// </summary>
internal sealed class CodedSounds(Overlay overlay)
{
    // A name that speaks of one thing alone, and of all of it.
    private const double Spoken = 0.85;

    // One of several that it speaks of alike, or of a part of it.
    private const double HalfSpoken = 0.4;

    // In a format that it does not have: as good, and not asked for.
    private const double OtherFormat = 0.1;
    private const int MostThings = 4;

    /// <summary>The paths, each with its reason.</summary>
    public IEnumerable<PlacementCandidate> For(SpokenPath spoken, TrayContent content)
    {
        var places = overlay.Profile.Places
            .Where(p => p.Content == PlaceContent.Sound && p.Editions.Holds(overlay.Edition))
            .ToList();
        foreach (var place in places)
        {
            if (place.RulesOf<NumberedRule>(overlay.Edition).FirstOrDefault() is not { } numbered) continue;
            if (place.RulesOf<ListedInRule>(overlay.Edition).FirstOrDefault(l => l.Codebook is not null) is not { } listed) continue;
            if (place.Pattern is not { Placeholders.Count: 2 }) continue;
            var book = overlay.Codebook(listed.Codebook!);
            var things = Things(spoken, book);
            // A recording that no place plays becomes what the first plays.
            var isOther = places.Exists(p => p.Format == content.Sound) ? place.Format != content.Sound : place != places[0];
            foreach (var thing in things.Count <= MostThings ? things : [])
            {
                var code = Bindings.Of([(listed.Placeholder, thing.Code)]);
                if (TargetFor(place, numbered, code, NumberIn(spoken)) is not { } target) continue;
                var isTold = things.Count == 1 && thing.Share == 1;
                yield return new PlacementCandidate(
                    target,
                    place,
                    (isTold ? Spoken : HalfSpoken) - (isOther ? OtherFormat : 0),
                    $"{place.One} of “{book.NameOf(thing.Code)}”",
                    IsNew: true);
            }
        }
    }

    /// <summary>The things of which the name speaks, else those of the nearest folder that speaks of any.</summary>
    private static IReadOnlyList<SpokenCode> Things(SpokenPath spoken, Codebook book) =>
        spoken.Folders
            .Select(f => f.Words)
            .Prepend(spoken.Name.Words)
            .Select(words => book.Spoken.Best([.. words]))
            .FirstOrDefault(found => found.Count > 0, []);

    private static int? NumberIn(SpokenPath spoken) =>
        spoken.Name.AllTokens
            .Select(t => int.TryParse(t.Text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : (int?)null)
            .LastOrDefault(n => n is > 0 and < 1000);

    private PackPath? TargetFor(Place place, NumberedRule numbered, Bindings code, int? asked)
    {
        Bindings At(int number) => code.With([(numbered.Placeholder, number.ToString(CultureInfo.InvariantCulture))]);
        bool IsFree(int number) =>
            numbered.Places
                .Select(key => overlay.Profile.Place(key).Pattern?.Fill(At(number)))
                .OfType<PackPath>()
                .All(p => overlay.Base.Find(p) is null && !overlay.PackHas(p));
        var number = asked is { } wanted && IsFree(wanted) ? wanted : Enumerable.Range(1, 1000).FirstOrDefault(IsFree);
        return number > 0 ? place.Pattern!.Fill(At(number)) : null;
    }
}
