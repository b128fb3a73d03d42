using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Files of a thing that are called otherwise than the thing: its stall picture has a number that its entry names, and is spoken of by the
/// thing's name and the part's: "tea_cup_stall".
/// </summary>
internal sealed class OtherParts(Overlay overlay)
{
    private readonly Lazy<ILookup<Place, (ThingRule Thing, ThingPart Part)>> byOwner = new(() => FindParts(overlay));

    /// <summary>Targets, and those that the things of entries among them have under another name.</summary>
    public IEnumerable<KnownTarget> With(IEnumerable<KnownTarget> targets)
    {
        foreach (var target in targets)
        {
            yield return target;
            foreach (var (thing, part) in byOwner.Value[target.Place])
                if (Of(target, thing, part) is { } other) yield return other;
        }
    }

    private KnownTarget? Of(KnownTarget owner, ThingRule thing, ThingPart part)
    {
        var place = overlay.Profile.Place(part.Place);
        var name = part.Field is { } field ? overlay.Shown(owner.Path)?.Field(field) : owner.Bindings.Find(thing.Placeholder);
        if (name is null || place.Pattern!.Fill(Bindings.Of([(part.Placeholder, name)])) is not { } path) return null;
        var own = overlay.Base.Find(path);
        // A number that an entry names is wanted; what is only called alike is the thing's where it is there.
        if (part.Field is null && own is null && !overlay.PackHas(path)) return null;
        return new KnownTarget(path, place, Bindings.Of([(part.Placeholder, name)]), own)
        {
            Bare = owner.Bare,
            Identity = owner.Identity,
            Whole = owner.Whole,
            Number = null,
            Choice = null,
            Role = [place.Called[0]],
            Called = place.Called,
            PlaceWords = [],
            Tail = KnownTargets.TailOf(path),
        };
    }

    /// <summary>By the place of the thing's entry: parts of one file that no relation ties to it and that have a word.</summary>
    private static ILookup<Place, (ThingRule Thing, ThingPart Part)> FindParts(Overlay overlay)
    {
        var profile = overlay.Profile;
        return profile.Things
            .SelectMany(thing => thing.Parts.Select(part => (Owner: OwnerOf(profile, thing), Thing: thing, Part: part)))
            .Where(p => p.Owner is not null
                && profile.Place(p.Part.Place) is { Called.Count: > 0, Pattern.Placeholders.Count: 1 } place
                && place.Editions.Holds(overlay.Edition)
                && !profile.Groups.Of(p.Owner).Contains(place))
            .ToLookup(p => p.Owner!, p => (p.Thing, p.Part));
    }

    private static Place? OwnerOf(HostProfile profile, ThingRule thing) =>
        thing.Parts.Select(p => profile.Place(p.Place)).FirstOrDefault(p => p.Content == PlaceContent.Entry);
}
