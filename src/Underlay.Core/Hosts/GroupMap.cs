using Underlay.Core.Hosts.Rules;

namespace Underlay.Core.Hosts;

/// <summary>
/// Which places' files belong together: those tied by relations that share placeholders. All files of one group key
/// are judged together, and a change to one touches the others of that key only.
/// </summary>
public sealed class GroupMap
{
    private readonly Dictionary<string, IReadOnlyList<Place>> places;

    private GroupMap(Dictionary<string, IReadOnlyList<Place>> places) => this.places = places;

    /// <summary>The places tied to a place, itself among them, in the profile's order.</summary>
    public IReadOnlyList<Place> Of(Place place) => places[place.Key];

    /// <summary>The key of the group that a file belongs to.</summary>
    public string KeyOf(Place place, Bindings bindings) => $"{places[place.Key][0].Key}:{bindings.Key}";

    internal static GroupMap Of(IReadOnlyList<Place> all)
    {
        var leader = all.ToDictionary(p => p.Key, p => p.Key, StringComparer.Ordinal);
        string Find(string key) => leader[key] == key ? key : leader[key] = Find(leader[key]);
        foreach (var place in all)
            foreach (var other in place.Rules.SelectMany(Related))
                leader[Find(other)] = Find(place.Key);
        var groups = all.GroupBy(p => Find(p.Key), StringComparer.Ordinal);
        return new GroupMap(
            groups
                .SelectMany(g => g.Select(p => (p.Key, Tied: (IReadOnlyList<Place>)[.. g])))
                .ToDictionary(p => p.Key, p => p.Tied, StringComparer.Ordinal));
    }

    private static IEnumerable<string> Related(Rule rule) => rule switch
    {
        RequiresRule requires => requires.Places,
        SameSizeRule sameSize => sameSize.Places,
        VariesWithRule { Place: { } chooser } => [chooser],
        EnabledByRule enabled => enabled.Places,
        OutrankedByRule outranked => outranked.Places,
        _ => [],
    };
}
