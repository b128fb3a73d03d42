using System.Text;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Offers a file the places in which it would be something new and whose rules it meets, under a name that carries the author's
/// prefix.
/// </summary>
internal sealed class NewTargets(Overlay overlay)
{
    private const double AmongOthers = 0.34;
    private const double OfOtherSize = 0.31;
    private const double WithPlace = 0.5;

    /// <summary>The paths, each with its reason.</summary>
    public IEnumerable<PlacementCandidate> For(SpokenPath spoken, TrayContent content)
    {
        if (content.Is is not (PlaceContent.Picture or PlaceContent.Sound or PlaceContent.Entry)) yield break;
        if (content.Is == PlaceContent.Sound)
        {
            foreach (var sound in Sounds(spoken)) yield return sound;
            yield break;
        }

        var isOwn = HasPrefix(spoken);
        foreach (var place in overlay.Profile.Places)
        {
            if (place.Content != content.Is
                || !place.Editions.Holds(overlay.Edition)
                || HoleFor(place) is not { } hole
                || FitOf(place, content) is not { } fits)
                continue;
            var word = place.Pattern!.Text
                .Split('/')
                .SkipLast(1)
                .FirstOrDefault(f => f.Length > 3 && !f.Contains('{', StringComparison.Ordinal) && Says(spoken, f));
            if (NameFor(spoken, place, word) is not { } name || place.Pattern.Fill(Bindings.Of([(hole, name)])) is not { } target) continue;
            if (overlay.Base.Find(target) is not null || overlay.PackHas(target)) continue;
            // What takes one size is not meant by another, unless it is spoken of.
            if (!fits && word is null && SizeOf(place) is null) continue;
            var says = content.Size is { } size ? $": {Says(size, place)}" : "";
            yield return new PlacementCandidate(
                target,
                place,
                word is not null ? WithPlace : fits || isOwn ? AmongOthers : OfOtherSize,
                $"a new {place.Noun}{says}",
                IsNew: true);
        }
    }

    /// <summary>New sounds, one in each folder of which the host plays something; the folder that is spoken of first.</summary>
    private IEnumerable<PlacementCandidate> Sounds(SpokenPath spoken)
    {
        foreach (var place in overlay.Profile.Places.Where(p => p.Content == PlaceContent.Sound && p.Editions.Holds(overlay.Edition)))
        {
            var varies = place.RulesOf<VariesWithRule>(overlay.Edition).FirstOrDefault(v => v.Place is null);
            if (varies is null || place.Pattern is not { Placeholders: [var folder, var hole] } || folder != varies.Field) continue;
            foreach (var group in varies.Choices.Keys.Where(k => k != varies.Otherwise))
            {
                var isSpoken = Says(spoken, group);
                if (NameFor(spoken, place, isSpoken ? group : null) is not { } name) continue;
                if (place.Pattern.Fill(Bindings.Of([(folder, group), (hole, name)])) is not { } target) continue;
                if (overlay.Base.Find(target) is not null || overlay.PackHas(target)) continue;
                yield return new PlacementCandidate(
                    target,
                    place,
                    isSpoken ? WithPlace : AmongOthers,
                    $"a new {place.Noun} among {group}",
                    IsNew: true);
            }
        }
    }

    /// <summary>
    /// The one hole of a place to which packs may add; null where they cannot, or where what they add belongs to something else.
    /// </summary>
    private string? HoleFor(Place place)
    {
        if (place.Pattern is not { HasAnyFolders: false, Placeholders: [var hole] } pattern
            || pattern.ChoicesOf(hole).Count > 0
            || pattern.IsNumber(hole))
            return null;
        var bound = place.RulesIn(overlay.Edition).Any(r => r switch
        {
            ListedInRule { Codebook: not null } or WantedByRule or IndexedRule => true,
            RequiresRule { AtWanted: false, When: null } requires => requires.Else.Kind == ConsequenceKind.Drop,
            _ => false,
        });
        return bound ? null : hole;
    }

    /// <summary>The rule of a place that takes many sizes; null where it takes one, or all.</summary>
    private SizeRule? SizeOf(Place place) => place.RulesOf<SizeRule>(overlay.Edition).FirstOrDefault(r => !r.IsExact);

    /// <summary>True where the author called a file as what the pack adds is called.</summary>
    private bool HasPrefix(SpokenPath spoken) =>
        overlay.Pack.Manifest.Prefix is { } prefix && spoken.Tail[^1].StartsWith(prefix + "_", StringComparison.Ordinal);

    /// <summary>
    /// True where the file breaks no rule of the place that a picture or an entry alone can break, false where its size would have to be
    /// fitted, null where it would not do.
    /// </summary>
    private bool? FitOf(Place place, TrayContent content)
    {
        if (content.Entry is { } entry) return place.Kind!.Judge(entry).Count == 0 ? true : null;
        if (content.Size is not { } size || place.PictureFormat is not { TakesOthers: true }) return null;
        var rules = place.RulesIn(overlay.Edition).ToList();
        if (content.Picture is { IsOpaque: true } && rules.Exists(r => r is SomeAlphaRule or ClearBorderRule)) return null;
        return rules.OfType<SizeRule>().All(r => r.Judge(size) is null);
    }

    private string Says(PixelSize size, Place place) =>
        place.RulesOf<SizeRule>(overlay.Edition).FirstOrDefault()?.Nearest(size) is { } wanted && wanted != size
            ? $"{size} would be fitted to {wanted}"
            : $"{size} as {place.Title.ToLowerInvariant()} may be";

    private static bool Says(SpokenPath spoken, string folder)
    {
        var single = folder.EndsWith('s') ? folder[..^1] : folder;
        return spoken.Name.Words.Concat(spoken.Folders.SelectMany(f => f.Words)).Any(w => w == folder || w == single);
    }

    /// <summary>The file's words as a name; null where there are none. What says which place it is says nothing of the thing.</summary>
    private string? NameFor(SpokenPath spoken, Place place, string? placeWord)
    {
        var prefix = overlay.Pack.Manifest.Prefix;
        var words = spoken.Name.Words
            .Where(w => placeWord is null || (w != placeWord && w + "s" != placeWord))
            .Select(Plain)
            .Where(w => w.Length > 0)
            .ToList();
        if (words.Count == 0) return null;
        var name = words.Count == spoken.Name.Words.Count && IsNumbered(spoken) ? spoken.Stem : string.Join('_', words);
        var carries = place.RulesOf<PrefixRule>(overlay.Edition).Any(r => r.Field is null);
        return carries && prefix is not null && !name.StartsWith(prefix + "_", StringComparison.Ordinal) ? $"{prefix}_{name}" : name;
    }

    /// <summary>
    /// True where numbers alone were left out of a name that is written as the host's are: one of a series, as "tile_07". In other names
    /// they tell versions and copies.
    /// </summary>
    private static bool IsNumbered(SpokenPath spoken) =>
        spoken.Name.LeftOut.All(c => char.IsAsciiDigit(c) || c == ' ')
        && spoken.Stem.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '_');

    /// <summary>A word in a to z and digits, accents taken off.</summary>
    internal static string Plain(string word) =>
        new([.. word.Normalize(NormalizationForm.FormD).Where(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c))]);
}
