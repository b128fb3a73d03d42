using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>A thing that neither base nor pack has, of which a picture of the tray may be a part.</summary>
/// <param name="Thing">What it is.</param>
/// <param name="Owner">The place of its entry.</param>
/// <param name="Name">Its name, as it would stand in paths.</param>
/// <param name="Part">The place in which the picture would be.</param>
public sealed record NewThingSeat(ThingRule Thing, Place Owner, string Name, Place Part);

/// <summary>
/// Finds pictures that are called by a part of a thing that is not there yet, "kelp_bowl_shelf" and "kelp_bowl_skin", so that the thing
/// can be begun with them.
/// </summary>
internal sealed class NewThingAdvice
{
    // What is as likely as this belongs to something that is there.
    private const double Known = 0.75;
    private const double Beside = 0.05;
    private const double Likely = 0.6;

    private readonly Overlay overlay;
    private readonly List<Part> parts;

    private NewThingAdvice(Overlay overlay)
    {
        this.overlay = overlay;
        var profile = overlay.Profile;
        parts =
        [
            .. from thing in profile.Things
               let owner = thing.Parts.Select(p => profile.Place(p.Place)).FirstOrDefault(p => p.Kind is not null)
               where owner is not null && owner.Editions.Holds(overlay.Edition)
               from place in thing.Parts.Select(p => profile.Place(p.Place)).Where(profile.Groups.Of(owner).Contains)
               where place is { Content: PlaceContent.Picture, PictureFormat.TakesOthers: true, Pattern.Placeholders.Count: 1 }
                   && place.Editions.Holds(overlay.Edition)
               let role = KnownTargets.RoleOf(profile, place)
               select new Part(thing, owner, place, [.. role.Count == 1 ? role.Union(place.Called) : role.Count == 0 ? [] : place.Called]),
        ];
    }

    /// <summary>Advice on each file, with that on new things.</summary>
    public static IReadOnlyList<PlacementAdvice> Join(Overlay overlay, IReadOnlyList<PlacementAdvice> all)
    {
        var open = all.Where(IsOpen).ToList();
        if (open.Count == 0) return all;
        var finder = new NewThingAdvice(overlay);
        if (finder.parts.Count == 0) return all;
        var found = finder.Find(open);
        return found.Count == 0 ? all : [.. all.Select(a => found.TryGetValue(a.File.Path, out var seat) ? finder.Seated(a, seat) : a)];
    }

    private static bool IsOpen(PlacementAdvice advice) =>
        advice is { Size: not null, Flaw: null, Series: null } && !(advice.HasFirst && advice.Candidates[0].Confidence >= Known);

    private Dictionary<PackPath, NewThingSeat> Find(List<PlacementAdvice> open)
    {
        var plain = parts
            .Select(p => p.Owner)
            .Distinct()
            .ToDictionary(owner => owner, owner => open.ToLookup(a => PlainName(a.File.Path, owner)));
        var things = open
            .SelectMany(advice => parts.Select(part => (Advice: advice, Part: part)))
            .SelectMany(p => NameBy(p.Advice.File.Path, p.Part).Select(name => (p.Advice, p.Part, Name: name)))
            .Where(t => !IsThere(t.Part, t.Name))
            .GroupBy(t => (t.Part.Thing, t.Part.Owner, t.Name), t => (t.Advice, t.Part.Place))
            .Select(g => Seats(g.Key.Thing, g.Key.Owner, g.Key.Name, [.. g], plain[g.Key.Owner][g.Key.Name]))
            // Of two kinds of thing that have a part of that name, the one that has more of these, and then the one that lacks fewer.
            .OrderByDescending(s => s.Count)
            .ThenBy(s => parts.Count(p => p.Thing == s.Values.First().Thing));
        var seats = new Dictionary<PackPath, NewThingSeat>();
        foreach (var thing in things)
            if (!thing.Keys.Any(seats.ContainsKey)) foreach (var (path, seat) in thing) seats[path] = seat;
        return seats;
    }

    private Dictionary<PackPath, NewThingSeat> Seats(
        ThingRule thing,
        Place owner,
        string name,
        List<(PlacementAdvice Advice, Place Place)> told,
        IEnumerable<PlacementAdvice> plain)
    {
        var seats = new Dictionary<PackPath, NewThingSeat>();
        var free = parts.Where(p => p.Thing == thing).Select(p => p.Place).ToHashSet();
        foreach (var (advice, place) in told)
            if (free.Remove(place)) seats[advice.File.Path] = new NewThingSeat(thing, owner, name, place);
        // A picture that is called as the thing alone is the part whose size it has.
        foreach (var advice in plain.Where(a => !seats.ContainsKey(a.File.Path)))
            if (PartBySize(free, advice.Size!.Value) is { } place && free.Remove(place))
                seats[advice.File.Path] = new NewThingSeat(thing, owner, name, place);
        return seats;
    }

    /// <summary>The names of a thing of which a path says that it is this part.</summary>
    private IEnumerable<string> NameBy(PackPath path, Part part)
    {
        if (part.Words.Count == 0) yield break;
        var segments = path.Segments;
        var words = NameWords.Of(KnownTargets.StemOf(segments[^1])).Words;
        if (!words.Any(part.Words.Contains)) yield break;
        List<string> rest = [.. words.Where(w => !part.Words.Contains(w))];
        // A file that is called by its part alone belongs to the thing that its folder names.
        if (rest.Count == 0 && segments.Length > 1) rest = [.. NameWords.Of(segments[^2]).Words];
        if (NameOf(rest, part.Owner) is { } name) yield return name;
    }

    private string? PlainName(PackPath path, Place owner) => NameOf([.. NameWords.Of(KnownTargets.StemOf(path.FileName)).Words], owner);

    /// <summary>Words as a name, with the author's prefix where such names carry one; null where they make none.</summary>
    private string? NameOf(List<string> words, Place owner)
    {
        var prefix = overlay.Pack.Manifest.Prefix;
        var own = words.Count > 1 && words[0] == prefix ? words[1..] : words;
        var name = string.Join('_', own.Select(NewTargets.Plain).Where(w => w.Length > 0));
        if (name.Length == 0) return null;
        // Where an id carries the prefix the name need not.
        var full = owner.Id is null && prefix is not null ? $"{prefix}_{name}" : name;
        return owner.Pattern!.Fill(Bindings.Of([(owner.Pattern.Placeholders[0], full)])) is null ? null : full;
    }

    private Place? PartBySize(IEnumerable<Place> free, PixelSize size) =>
        free.OrderByDescending(p => p.RulesOf<SizeRule>(overlay.Edition).Any(r => r.IsExact))
            .FirstOrDefault(p => p.RulesOf<SizeRule>(overlay.Edition).All(r => r.Judge(size) is null));

    private bool IsThere(Part part, string name) =>
        PathOf(part.Owner, name) is not { } path || overlay.Shown(path) is not null || overlay.PackHas(path);

    private static PackPath? PathOf(Place place, string name) => place.Pattern!.Fill(Bindings.Of([(place.Pattern.Placeholders[0], name)]));

    private PlacementAdvice Seated(PlacementAdvice advice, NewThingSeat seat)
    {
        var target = PathOf(seat.Part, seat.Name)!.Value;
        var was = advice.Candidates.FirstOrDefault(c => c.Target == target);
        var first = new PlacementCandidate(
            target,
            seat.Part,
            Likely,
            $"{seat.Part.One} of something new, “{seat.Name}”",
            was?.IsNew ?? !overlay.PackHas(target),
            $"there is no {seat.Owner.Noun} of that name yet: begin it with this");
        var others = advice.Candidates
            .Where(c => c.Target != target)
            .Select(c => c with { Confidence = Math.Min(c.Confidence, Likely - Beside) });
        return advice with { Candidates = [first, .. others], Likely = 1, NewThing = seat };
    }

    /// <summary>A part of a thing, and the words of which one tells it.</summary>
    private sealed record Part(ThingRule Thing, Place Owner, Place Place, IReadOnlyCollection<string> Words);
}
