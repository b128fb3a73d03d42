using System.Collections.Concurrent;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;

namespace Underlay.Core.Stacks;

/// <summary>The texts that are wanted by the entries of a stack, worked out once for all who ask.</summary>
internal sealed class StackTexts(Overlay overlay)
{
    private readonly ConcurrentDictionary<string, (IReadOnlyList<WantedText> Texts, ReadSet Reads)> wanted = new(StringComparer.Ordinal);

    /// <summary>
    /// Takes over from a stack before a change what it cannot have made other; null for a change of what pictures show alone.
    /// </summary>
    public void TakeOver(StackTexts before, StackChange? change)
    {
        foreach (var (place, known) in before.wanted)
            if (change is null || !known.Reads.MayDifferAfter(change)) wanted[place] = known;
    }

    /// <summary>The texts that the shown entries of a place want, in order of the entries: the pack's first.</summary>
    public IReadOnlyList<WantedText> WantedIn(Place place)
    {
        // Whoever is handed what is known already has asked for all the same.
        ReadSet.NoteTextsIn(place.Key);
        return wanted.GetOrAdd(
            place.Key,
            _ =>
            {
                var rules = place.RulesOf<TextsRule>(overlay.Edition).ToList();
                return ReadSet.Record(() => rules.Count == 0 ? [] : Find(place, rules));
            }).Texts;
    }

    private IReadOnlyList<WantedText> Find(Place place, List<TextsRule> rules) =>
        [.. overlay.ShownIn(place).SelectMany(p => WantedText.Of(overlay, p, rules))];
}
