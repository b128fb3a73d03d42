using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Offers;

/// <summary>Sounds that somebody may have recorded one after the other.</summary>
/// <param name="Title">What they have in common.</param>
/// <param name="Names">Their paths without ending, in the order in which they are read out.</param>
public sealed record SpokenList(string Title, IReadOnlyList<string> Names)
{
    /// <summary>
    /// The lists of a stack: first what the pack's entries name and nothing has yet, then the base's sounds by folder.
    /// </summary>
    public static IReadOnlyList<SpokenList> Of(Overlay overlay)
    {
        var places = overlay.Profile.Places
            .Where(p => p.Format is PackSoundFormat && p.Pattern is not null && p.Editions.Holds(overlay.Edition))
            .ToList();
        var wanted = places.SelectMany(p => Wanted(overlay, p)).Distinct(StringComparer.Ordinal).ToList();
        var ofBase = places
            .SelectMany(overlay.Base.In)
            .Select(f => f.Path.Value)
            .GroupBy(p => p[..p.LastIndexOf('/')], StringComparer.Ordinal)
            .OrderBy(g => g.Key, NaturalOrder.Comparer)
            .Select(g => new SpokenList(
                $"{g.Key}, as in the base",
                [.. g.Order(NaturalOrder.Comparer).Select(WithoutEnding).Distinct(StringComparer.Ordinal)]));
        return wanted.Count == 0 ? [.. ofBase] : [new SpokenList("Named by your entries, and not there yet", wanted), .. ofBase];
    }

    /// <summary>Sounds of a place that entries of the pack name and nothing is.</summary>
    private static IEnumerable<string> Wanted(Overlay overlay, Place sounds)
    {
        foreach (var owner in overlay.Pack.Placements)
            foreach (var rule in owner.Place.RulesOf<RefersToRule>(overlay.Edition).Where(r => r.Place == sounds.Key))
                foreach (var (_, value) in overlay.References(rule, owner))
                    if (overlay.Target(rule, owner, value) is { } path && overlay.Shown(path) is null)
                        yield return WithoutEnding(path.Value);
    }

    private static string WithoutEnding(string path) => path[..path.LastIndexOf('.')];
}
