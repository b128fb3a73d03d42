using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>A path that the base or the pack has, or that a thing of theirs may get.</summary>
/// <param name="Path">The path.</param>
/// <param name="Place">Its place.</param>
/// <param name="Bindings">What stands at the holes.</param>
/// <param name="Base">The base's file there, or null.</param>
internal sealed record KnownTarget(PackPath Path, Place Place, Bindings Bindings, BaseFile? Base)
{
    /// <summary>The pieces of the name at the pattern's wordy hole: "water_jug" is water, jug.</summary>
    public required IReadOnlyList<string> Identity { get; init; }

    /// <summary>What stands at the hole for a number, as it stands; null without one.</summary>
    public required string? Number { get; init; }

    /// <summary>What stands at the hole with choices; null without one.</summary>
    public required string? Choice { get; init; }

    /// <summary>The words that tell a thing's files apart: "shelf" of "wares/{name}/shelf.png".</summary>
    public required IReadOnlyList<string> Role { get; init; }

    /// <summary>The words of the place's own folders: "art", "stalls".</summary>
    public required IReadOnlyList<string> Folders { get; init; }

    /// <summary>The path's segments in small letters, the last one without its extension.</summary>
    public required string[] Tail { get; init; }
}

/// <summary>All known targets, looked up by the words of a name.</summary>
internal sealed class KnownTargets
{
    private const int ShortestForSlips = 4;

    private readonly List<KnownTarget> all = [];
    private readonly Dictionary<string, List<int>> byWord = new(StringComparer.Ordinal);
    private readonly Dictionary<string, HashSet<string>> nearWords = new(StringComparer.Ordinal);
    private readonly Dictionary<string, List<int>> byRole = new(StringComparer.Ordinal);
    private readonly Dictionary<Place, (IReadOnlyList<string> Role, IReadOnlyList<string> Folders)> words = [];
    private readonly Overlay overlay;

    public KnownTargets(Overlay overlay)
    {
        this.overlay = overlay;
        var names = overlay.Base.Files.Where(f => f.Place is not null).Select(f => (Place: f.Place!, f.Bindings))
            .Concat(overlay.Pack.Placements.Select(p => (p.Place, p.Bindings)));
        var seen = new HashSet<PackPath>();
        foreach (var (place, bindings) in names)
            foreach (var tied in overlay.Profile.Groups.Of(place))
                // A thing that has one file may get the others of its group too.
                if (tied.Editions.Holds(overlay.Edition) && tied.Pattern?.Fill(bindings) is { } path && seen.Add(path))
                    Add(path, tied, bindings);
    }

    public IReadOnlyList<KnownTarget> All => all;

    /// <summary>The target at a path, or null.</summary>
    public KnownTarget? At(PackPath path) => all.Find(t => t.Path == path);

    /// <summary>
    /// Targets of which some word or number, or all words run together, stands in a name, or stands there but for a slip.
    /// </summary>
    public IEnumerable<KnownTarget> WithAny(IEnumerable<string> pieces)
    {
        var found = new HashSet<int>();
        foreach (var piece in pieces.Distinct(StringComparer.Ordinal))
        {
            if (byWord.TryGetValue(piece, out var exact)) found.UnionWith(exact);
            foreach (var near in Near(piece)) found.UnionWith(byWord[near]);
        }

        return found.Select(i => all[i]);
    }

    /// <summary>Targets whose files are told apart by a word.</summary>
    public IEnumerable<KnownTarget> WithRole(string word) => byRole.TryGetValue(word, out var found) ? found.Select(i => all[i]) : [];

    private void Add(PackPath path, Place place, Bindings bindings)
    {
        var (role, folders) = words.TryGetValue(place, out var known) ? known : words[place] = (RoleOf(place), FoldersOf(place));
        var pattern = place.Pattern!;
        var number = pattern.Placeholders.FirstOrDefault(h => pattern.IsNumber(h));
        var choice = pattern.Placeholders.FirstOrDefault(h => pattern.ChoicesOf(h).Count > 0);
        var identity = pattern.Placeholders
            .Where(h => h != number && h != choice)
            .SelectMany(h => NameWords.TokensOf(bindings.Find(h)!))
            .Select(t => t.Text)
            .ToList();
        var target = new KnownTarget(path, place, bindings, overlay.Base.Find(path))
        {
            Identity = identity,
            Number = number is null ? null : bindings.Find(number),
            Choice = choice is null ? null : bindings.Find(choice),
            Role = role,
            Folders = folders,
            Tail = TailOf(path),
        };
        var index = all.Count;
        all.Add(target);
        var joined = string.Concat(identity);
        // Names run together are looked up whole, with the part of the thing at their end.
        var together = identity.Count == 0 ? [] : role.Append(target.Choice ?? "").Select(part => joined + part);
        string[] told = [.. identity, joined, .. together, target.Number ?? "", target.Number?.TrimStart('0') ?? "", target.Choice ?? ""];
        foreach (var word in told.Where(w => w.Length > 0).Distinct(StringComparer.Ordinal)) Note(word, index);
        foreach (var word in role)
        {
            if (!byRole.TryGetValue(word, out var list)) byRole[word] = list = [];
            list.Add(index);
        }
    }

    private void Note(string word, int index)
    {
        if (!byWord.TryGetValue(word, out var list))
        {
            byWord[word] = list = [];
            // Words a slip apart share a form with one letter taken out.
            if (word.Length >= ShortestForSlips && !char.IsAsciiDigit(word[0]))
                foreach (var form in Shortened(word))
                {
                    if (!nearWords.TryGetValue(form, out var near)) nearWords[form] = near = new HashSet<string>(StringComparer.Ordinal);
                    near.Add(word);
                }
        }

        list.Add(index);
    }

    private IEnumerable<string> Near(string piece) =>
        piece.Length < ShortestForSlips || char.IsAsciiDigit(piece[0])
            ? []
            : Shortened(piece)
                .SelectMany(form => nearWords.TryGetValue(form, out var near) ? near : [])
                .Where(w => Slips.AreOneApart(w, piece))
                .Distinct(StringComparer.Ordinal);

    /// <summary>A word, and it with each of its letters taken out.</summary>
    private static IEnumerable<string> Shortened(string word) =>
        Enumerable.Range(0, word.Length).Select(i => word.Remove(i, 1)).Append(word);

    internal static string[] TailOf(PackPath path)
    {
        var segments = path.Value.ToLowerInvariant().Replace(' ', '_').Replace('-', '_').Split('/');
        segments[^1] = StemOf(segments[^1]);
        return segments;
    }

    /// <summary>A file's name without its extension, or extensions.</summary>
    internal static string StemOf(string name)
    {
        var dot = name.IndexOf('.', StringComparison.Ordinal);
        return dot > 0 ? name[..dot] : name;
    }

    private List<string> RoleOf(Place place)
    {
        var last = place.Pattern!.Text[(place.Pattern.Text.LastIndexOf('/') + 1)..];
        if (!last.Contains('{', StringComparison.Ordinal)) return [.. NameWords.TokensOf(StemOf(last)).Select(t => t.Text)];
        // A file that is called by its thing's name alone: beside others of its group, a folder of its own tells it apart.
        var first = overlay.Profile.Groups.Of(place)[0];
        if (first == place || place.Content != PlaceContent.Picture) return [];
        return
        [
            .. FoldersOf(place)
                .Except(FoldersOf(first), StringComparer.Ordinal)
                .Where(
                    w => overlay.Profile.Places.Count(p => p.Pattern is not null && FoldersOf(p).Contains(w, StringComparer.Ordinal)) < 4),
        ];
    }

    /// <summary>The folders of a place's paths that have no hole.</summary>
    private static List<string> FoldersOf(Place place) =>
        [
            .. place.Pattern!.Text
                .Split('/')
                .SkipLast(1)
                .Where(s => !s.Contains('{', StringComparison.Ordinal) && s != PathPattern.AnyFolders),
        ];
}
