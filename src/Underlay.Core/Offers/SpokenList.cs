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
    /// The lists of a stack: first what is to be recorded for signals, then what else the pack's entries name and nothing has yet,
    /// the script as a whole for those who do it again, and the base's sounds by folder.
    /// </summary>
    public static IReadOnlyList<SpokenList> Of(Overlay overlay)
    {
        var places = overlay.Profile.Places
            .Where(p => p.Format is PackSoundFormat && p.Pattern is not null && p.Editions.Holds(overlay.Edition))
            .ToList();
        var script = SignalScript.Of(overlay).DistinctBy(l => l.Path).ToList();
        var all = script.Select(l => WithoutEnding(l.Path.Value)).ToList();
        var missing = script.Where(l => l.State == ScriptState.Missing).Select(l => WithoutEnding(l.Path.Value)).ToList();
        var wanted = places.SelectMany(p => Wanted(overlay, p)).Distinct(StringComparer.Ordinal).Except(missing).ToList();
        var ofBase = places
            .SelectMany(overlay.Base.In)
            .Select(f => f.Path.Value)
            .GroupBy(p => p[..p.LastIndexOf('/')], StringComparer.Ordinal)
            .OrderBy(g => g.Key, NaturalOrder.Comparer)
            .Select(g => new SpokenList(
                $"{g.Key}, as in the base",
                [.. g.Order(NaturalOrder.Comparer).Select(WithoutEnding).Distinct(StringComparer.Ordinal)]));
        SpokenList[] ofPack =
        [
            new("Your script, what is to be recorded", missing),
            new("Named by your entries, and not there yet", wanted),
            new("Your script, all of it", all.Count == missing.Count ? [] : all),
        ];
        return [.. ofPack.Where(l => l.Names.Count > 0), .. ofBase];
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
