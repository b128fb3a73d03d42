using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>All known targets, looked up by the words of a name.</summary>
/// <remarks>
/// The author's prefix says nothing of a thing, nor does any other word that very many have: those that such words alone lead to are left
/// out, else each file of a large tray would be held against a whole pack.
/// </remarks>
internal sealed class KnownTargets
{
    private readonly HostProfile profile;
    private readonly Edition edition;
    private readonly BaseCatalogue @base;
    private readonly string? prefix;
    private readonly List<KnownTarget> all = [];
    private readonly HashSet<PackPath> paths = [];
    private readonly WordIndex byWord = new();
    private readonly WordIndex byWhole = new();
    private readonly WordIndex byRole = new();
    private readonly SlipIndex slips = new();
    private readonly Dictionary<Place, (IReadOnlyList<string> Role, IReadOnlyList<string> PlaceWords)> words = [];

    /// <summary>Those that the base's files and the pack's have or may get.</summary>
    public KnownTargets(Overlay overlay)
        : this(
            overlay,
            overlay.Base.Files.Where(f => f.Place is not null).Select(f => (f.Place!, f.Bindings))
                .Concat(overlay.Pack.Placements.Select(p => (p.Place, p.Bindings))))
    {
    }

    /// <summary>Those that things of some names have or may get.</summary>
    public KnownTargets(Overlay overlay, IEnumerable<(Place Place, Bindings Bindings)> names)
    {
        (profile, edition, @base, prefix) = (overlay.Profile, overlay.Edition, overlay.Base, overlay.Pack.Manifest.Prefix);
        Learn(names);
        OfBase = [.. all.Where(t => t.Base is not null)];
    }

    /// <summary>Those at which the base has a file.</summary>
    public IReadOnlyList<KnownTarget> OfBase { get; }

    /// <summary>Words that lead to none; the prefix, which never does, left aside.</summary>
    public CommonWords Common => new(prefix is null ? byWord.Common : byWord.Common.Remove(prefix), byRole.Common);

    /// <summary>Adds those that things of some more names have or may get, none of which the base has.</summary>
    /// <returns>This, with them.</returns>
    public KnownTargets Learn(IEnumerable<(Place Place, Bindings Bindings)> names)
    {
        foreach (var (place, bindings) in names)
            foreach (var tied in profile.Groups.Of(place))
                // A thing that has one file may get the others of its group too.
                if (tied.Editions.Holds(edition) && tied.Pattern?.Fill(bindings) is { } path && paths.Add(path)) Add(path, tied, bindings);
        return this;
    }

    /// <summary>
    /// Targets of which some word or number, or all words run together, stands in a name, or stands there but for a slip; those
    /// left out of which too little stands there.
    /// </summary>
    public IEnumerable<KnownTarget> WithAny(SpokenPath spoken)
    {
        var pieces = PiecesOf(spoken);
        var found = pieces.Where(p => p != prefix).SelectMany(byWord.ToldBy).ToHashSet();
        if (pieces.Any(p => p == prefix || byWord.Common.Contains(p)))
            found.UnionWith(spoken.Runs.SelectMany(WithSlips).SelectMany(byWhole.With));
        return found.Select(i => all[i]).Where(target => spoken.MayTell(target, pieces));
    }

    /// <summary>Targets whose files are told apart by a word of a name.</summary>
    public IEnumerable<KnownTarget> WithRole(SpokenPath spoken) =>
        spoken.Name.Words.SelectMany(byRole.ToldBy).Distinct().Select(i => all[i]);

    /// <summary>True where a path says something of one of them.</summary>
    public bool MayBeMeant(SpokenPath spoken) =>
        WithAny(spoken).Concat(WithRole(spoken)).Any(target => NameMatch.Of(spoken, target).MayMean(target));

    /// <summary>True where a path has one of some words, or one but for a slip.</summary>
    public bool IsSpoken(SpokenPath spoken, CommonWords words) =>
        (words.Names.Count > 0 && words.Names.Overlaps(PiecesOf(spoken)))
        || (words.Roles.Count > 0 && words.Roles.Overlaps(spoken.Name.Words));

    private HashSet<string> PiecesOf(SpokenPath spoken) => spoken.Pieces.SelectMany(WithSlips).ToHashSet(StringComparer.Ordinal);

    private IEnumerable<string> WithSlips(string word) => slips.Near(word).Append(word);

    private void Add(PackPath path, Place place, Bindings bindings)
    {
        var (role, placeWords) = words.TryGetValue(place, out var known)
            ? known
            : words[place] = (RoleOf(profile, place), PlaceWordsOf(place));
        var pattern = place.Pattern!;
        var number = pattern.Placeholders.FirstOrDefault(h => pattern.IsNumber(h));
        var choice = pattern.Placeholders.FirstOrDefault(h => pattern.ChoicesOf(h).Count > 0);
        var identity = pattern.Placeholders
            .Where(h => h != number && h != choice)
            .SelectMany(h => NameWords.TokensOf(bindings.Find(h)!))
            .Select(t => t.Text)
            .ToList();
        var target = new KnownTarget(path, place, bindings, @base.Find(path))
        {
            Bare = identity.Count > 1 && identity[0] == prefix ? identity[1..] : [],
            Identity = identity,
            Whole = string.Concat(identity),
            Number = number is null ? null : bindings.Find(number),
            Choice = choice is null ? null : bindings.Find(choice),
            Role = role,
            Called = place.Called,
            PlaceWords = placeWords,
            Tail = TailOf(path),
        };
        var index = all.Count;
        all.Add(target);
        // Names run together are looked up whole, with the part of the thing at their end.
        var roles = role.Count > 0 ? role.Union(place.Called).ToList() : [];
        var parts = roles.Append(target.Choice ?? "").Append("");
        List<string> whole = identity.Count == 0 ? [] : [.. parts.Select(part => target.Whole + part).Distinct(StringComparer.Ordinal)];
        string[] told = [.. identity, .. whole, target.Number ?? "", target.Number?.TrimStart('0') ?? "", target.Choice ?? ""];
        foreach (var word in told.Where(w => w.Length > 0).Distinct(StringComparer.Ordinal))
            if (byWord.Note(word, index)) slips.Add(word);
        foreach (var word in whole) byWhole.Note(word, index);
        foreach (var word in roles) byRole.Note(word, index);
    }

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

    /// <summary>The words that tell a place's files apart from others of the same thing; none for the first of them.</summary>
    internal static IReadOnlyList<string> RoleOf(HostProfile profile, Place place)
    {
        var last = place.Pattern!.Text[(place.Pattern.Text.LastIndexOf('/') + 1)..];
        if (!last.Contains('{', StringComparison.Ordinal)) return [.. NameWords.TokensOf(StemOf(last)).Select(t => t.Text)];
        // A file that is called by its thing's name alone: beside others of its group, a folder of its own tells it apart.
        var first = profile.Groups.Of(place)[0];
        if (first == place || place.Content != PlaceContent.Picture) return [];
        return
        [
            .. FoldersOf(place)
                .Except(FoldersOf(first), StringComparer.Ordinal)
                .Where(
                    w => profile.Places.Count(p => p.Pattern is not null && FoldersOf(p).Contains(w, StringComparer.Ordinal)) < 4),
        ];
    }

    /// <summary>Words long enough to say which place is meant, in the singular too: of folders, and what a hole is for ("kiln").</summary>
    private static List<string> PlaceWordsOf(Place place) =>
    [
        .. FoldersOf(place)
            .Concat(place.Pattern!.Placeholders.Where(h => h != "name" && h.Distinct().Count() > 1))
            .Where(f => f.Length > 3)
            .SelectMany(f => f.EndsWith('s') ? [f, f[..^1]] : new[] { f }),
    ];

    /// <summary>The folders of a place's paths that have no hole.</summary>
    private static List<string> FoldersOf(Place place) =>
        [
            .. place.Pattern!.Text
                .Split('/')
                .SkipLast(1)
                .Where(s => !s.Contains('{', StringComparison.Ordinal) && s != PathPattern.AnyFolders),
        ];
}
