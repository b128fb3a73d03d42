using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Offers a sound the places of those that are called like it, whatever folder it lies in: sounds of the base and the pack, and those of
/// the author's script that are still to be recorded. Numbers tell a thing's sounds apart where they have some, and takes where not.
/// </summary>
internal sealed class SoundNames(Overlay overlay)
{
    private const double Told = 0.92;
    private const double InFolder = 0.03;

    // The same name in several folders, none of which is spoken of.
    private const double OneOfSeveral = 0.5;

    private readonly Lazy<ILookup<string, NamedSound>> byName = new(() => AllOf(overlay)
        .DistinctBy(s => s.Path)
        .ToLookup(s => s.Name, StringComparer.Ordinal));

    private readonly IReadOnlyList<Place> scripted =
    [
        .. overlay.Profile.Places.Where(p => p.RulesOf<CoversRule>(overlay.Edition).Any(r => r.Plays is not null)),
    ];

    /// <summary>The paths, each with its reason.</summary>
    public IEnumerable<PlacementCandidate> For(SpokenPath spoken)
    {
        // What the script asks for changes with the entries that play sounds.
        foreach (var place in scripted) ReadSet.NotePlace(place.Key);
        var spokenFolders = spoken.FolderWords.Concat(spoken.Name.Words).ToHashSet(StringComparer.Ordinal);
        foreach (var (name, leftOut, less) in Readings(spoken))
        {
            List<NamedSound> called = [.. byName.Value[name]];
            // A folder's word may stand in the name: "tools wheel kick".
            var group = called.Count > 0 ? null : spoken.Name.Words.FirstOrDefault(w => name.StartsWith(w, StringComparison.Ordinal));
            if (group is not null) called = [.. byName.Value[name[group.Length..]].Where(s => s.Folder == group)];
            if (called.Count == 0) continue;
            var inFolder = called.Where(s => spokenFolders.Contains(s.Folder)).ToList();
            var isOne = inFolder.Count == 1 || called.Count == 1;
            foreach (var sound in inFolder.Count == 1 ? inFolder : called)
            {
                var confidence = (isOne ? Told + (inFolder.Count == 1 ? InFolder : 0) : OneOfSeveral) - less;
                var says = sound.IsScripted ? "your script asks for a sound of this name" : "the name";
                var reason = leftOut.Length > 0 ? $"{says} but for “{leftOut}”" : says;
                var isNew = overlay.Base.Find(sound.Path) is null && !overlay.PackHas(sound.Path);
                yield return new PlacementCandidate(sound.Path, sound.Place, confidence, reason, isNew);
            }

            yield break;
        }
    }

    /// <summary>What the name may be, run together, most of it first; with what is left out of it, and how much less that tells.</summary>
    private static IEnumerable<(string Name, string LeftOut, double Less)> Readings(SpokenPath spoken)
    {
        var all = spoken.Name.AllTokens;
        var told = spoken.Name.Tokens;
        yield return (Run(all), "", 0);
        if (told.Count < all.Count) yield return (Run(told), LeftOf(all, told), 0.01);
        foreach (var tokens in new[] { all, told })
        {
            for (var kept = tokens.Count - 1; kept > 0 && tokens[kept].IsNumber; kept--)
                yield return (Run([.. tokens.Take(kept)]), LeftOf(all, [.. tokens.Take(kept)]), 0.08);
        }
    }

    private static string LeftOf(IReadOnlyList<NameToken> all, IReadOnlyList<NameToken> kept)
    {
        var left = all.ToList();
        foreach (var token in kept) left.Remove(token);
        return string.Join(' ', left.Select(t => t.Text));
    }

    // "1" and "01" are one number.
    private static string Run(IReadOnlyList<NameToken> tokens) =>
        string.Concat(tokens.Select(t => t.IsNumber && t.Text.TrimStart('0') is { Length: > 0 } bare ? bare : t.Text));

    private static IEnumerable<NamedSound> AllOf(Overlay overlay)
    {
        foreach (var file in overlay.Base.Files)
            if (file.Place is { } place && NamedSound.Of(place, file.Bindings, file.Path) is { } sound) yield return sound;
        foreach (var own in overlay.Pack.Placements)
            if (NamedSound.Of(own.Place, own.Bindings, own.Path) is { } sound) yield return sound;
        foreach (var line in SignalScript.Of(overlay))
        {
            if (overlay.Profile.Locate(line.Path, overlay.Edition) is { } located
                && NamedSound.Of(located.Place, located.Bindings, line.Path) is { } sound)
                yield return sound with { IsScripted = line.State == ScriptState.Missing };
        }
    }

    /// <summary>A sound, by the name that tells it apart in its folder.</summary>
    private sealed record NamedSound(PackPath Path, Place Place, string Folder, string Name, bool IsScripted = false)
    {
        /// <summary>Of a place whose files have a folder and a name; null for others.</summary>
        public static NamedSound? Of(Place place, Bindings bindings, PackPath path) =>
            place is { Content: PlaceContent.Sound, Pattern: { Placeholders: [var folder, var hole] } pattern }
            && !pattern.IsNumber(hole)
            && bindings.Find(folder) is { } group
            && bindings.Find(hole) is { } name
                ? new NamedSound(path, place, group, Run(NameWords.TokensOf(name)))
                : null;
    }
}
