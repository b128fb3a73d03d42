using System.Runtime.CompilerServices;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// The prefix that a pack had before its manifest got another id: ids of its entries still begin with it, or all its names do and it is
/// the author's name. A name that begins with it wants the new one in its place, and not before it.
/// </summary>
internal static class FormerPrefix
{
    private static readonly ConditionalWeakTable<Overlay, IReadOnlySet<string>> Known = [];

    /// <summary>The name under the pack's prefix.</summary>
    public static string Renamed(Overlay overlay, string prefix, string name)
    {
        // Whoever is handed what is known already has asked for all the same.
        foreach (var (place, _) in Rules(overlay)) ReadSet.NotePlace(place.Key);
        var former = Known.GetValue(overlay, Of);
        var bare = name.IndexOf('_', StringComparison.Ordinal) is > 0 and var at && at + 1 < name.Length && former.Contains(name[..at])
            ? name[(at + 1)..]
            : name;
        return $"{prefix}_{bare}";
    }

    private static IEnumerable<(Place Place, PrefixRule Rule)> Rules(Overlay overlay) =>
        overlay.Profile.Places.SelectMany(p => p.RulesOf<PrefixRule>(overlay.Edition).Select(r => (p, r)));

    /// <summary>
    /// What leads ids of the pack, but for its prefix and what leads ids of the base. An id that a repair set anew still stands in the
    /// original that was kept of its entry.
    /// </summary>
    private static HashSet<string> Of(Overlay overlay)
    {
        var heads = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (place, _) in Rules(overlay).Where(r => r.Place.Id is not null))
        {
            var ofPack = overlay.Pack.In(place).ToList();
            var originals = ofPack
                .Select(p => overlay.Pack.Tree.Find(ReservedFolder.SourceOf(p.Path)))
                .OfType<TreeFile>()
                .Select(f => JsonText.Parse(f.ReadAll()).FindString(place.Id!));
            var ofBase = overlay.Base.In(place).Select(f => f.Facts.Entry?.Text.FindString(place.Id!)).Select(HeadOf);
            heads.UnionWith(ofPack.Select(p => p.Field(place.Id!)).Concat(originals).Select(HeadOf).Except(ofBase));
        }

        heads.UnionWith(NamesOf(overlay.Pack.Manifest.Author).Where(w => LeadsAll(overlay, w)));
        heads.Remove("");
        if (overlay.Pack.Manifest.Prefix is { } own) heads.Remove(own);
        return heads;
    }

    /// <summary>A name as prefixes have it: its first word, and all run together.</summary>
    private static IEnumerable<string> NamesOf(string? name)
    {
        var words = (name ?? "").ToLowerInvariant().Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return words.Length == 0 ? [] : [words[0], string.Concat(words)];
    }

    /// <summary>True where all names that the pack adds, and that lack its prefix, begin with a word; one alone tells nothing.</summary>
    private static bool LeadsAll(Overlay overlay, string word)
    {
        var names = Rules(overlay)
            .Where(r => r.Rule.Field is null)
            .SelectMany(
                r => overlay.Pack.In(r.Place)
                    .Where(p => overlay.Base.Find(p.Path) is null)
                    .Select(p => p.Bindings.Find(r.Rule.Placeholder)!))
            .Where(n => !n.StartsWith(overlay.Pack.Manifest.Prefix + "_", StringComparison.Ordinal))
            .ToHashSet(StringComparer.Ordinal);
        return names.Count > 1 && names.All(n => n.StartsWith(word + "_", StringComparison.Ordinal));
    }

    private static string HeadOf(string? id) => Id.HeadOf(id ?? "");
}
