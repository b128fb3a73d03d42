using Underlay.Core.BaseFiles;
using Underlay.Core.Entries;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>A path at which a file of the tray may belong.</summary>
/// <param name="Target">The path.</param>
/// <param name="Place">Its place.</param>
/// <param name="Confidence">From 0 to 1.</param>
/// <param name="Reason">Why, in words: "the name but for “copy 2”, 56 x 56 as wanted".</param>
public sealed record PlacementCandidate(PackPath Target, Place Place, double Confidence, string Reason);

/// <summary>The candidates for one file of the tray, likeliest first.</summary>
/// <param name="File">The file.</param>
/// <param name="Candidates">At most a handful; empty when nothing is likely.</param>
public sealed record PlacementAdvice(TreeFile File, IReadOnlyList<PlacementCandidate> Candidates)
{
    private const double Sure = 0.8;
    private const double Lead = 0.1;

    /// <summary>True when the first candidate can be accepted without looking: likely, and well ahead of the second.</summary>
    public bool IsSure =>
        Candidates.Count > 0
        && Candidates[0].Confidence >= Sure
        && (Candidates.Count == 1 || Candidates[0].Confidence - Candidates[1].Confidence >= Lead);
}

/// <summary>Tells where the files of a tray belong, from their paths, names, sizes and contents.</summary>
public sealed class Placer
{
    private const int MostCandidates = 6;
    private const double Least = 0.3;

    private readonly Overlay overlay;
    private readonly List<Known> known;

    /// <summary>A placer for a pack, which knows the base's names and the pack's own.</summary>
    public Placer(Overlay overlay)
    {
        this.overlay = overlay;
        var names = overlay.Base.Files.Where(f => f.Place is not null).Select(f => (Place: f.Place!, f.Bindings))
            .Concat(overlay.Pack.Placements.Select(p => (p.Place, p.Bindings)));
        // A thing that has one file may get the others of its group too.
        known =
        [
            .. names
                .SelectMany(n => overlay.Profile.Groups.Of(n.Place).Select(p => (Place: p, Path: p.Pattern?.Fill(n.Bindings), n.Bindings)))
                .Where(n => n.Path is not null)
                .DistinctBy(n => n.Path)
                .Select(n => new Known(n.Path!.Value, n.Place, IdentityOf(n.Place, n.Bindings), RoleOf(n.Place), overlay.Base.Find(n.Path.Value))),
        ];
    }

    /// <summary>Where a file may belong.</summary>
    public PlacementAdvice Advise(TreeFile file)
    {
        var content = Content.Of(file);
        var found = new Dictionary<PackPath, PlacementCandidate>();
        void Add(PackPath target, Place place, double confidence, string reason)
        {
            if (content.Conversion.Length > 0) reason = $"{reason}; {content.Conversion}";
            if (!found.TryGetValue(target, out var other) || other.Confidence < confidence) found[target] = new PlacementCandidate(target, place, confidence, reason);
        }

        if (content.Is is { } kind)
        {
            ByPath(file, content, kind, Add);
            if (content.Entry is { } entry) ByEntry(entry, Add);
            ByName(file, content, kind, Add);
            ByManifest(file, content, kind, Add);
            if (found.Count == 0 && content.Size is { } size) BySize(size, Add);
        }

        else ByOwnPath(file, Add);
        return new PlacementAdvice(file, [.. found.Values.Where(c => c.Confidence >= Least).OrderByDescending(c => c.Confidence).ThenBy(c => c.Target).Take(MostCandidates)]);
    }

    private static string[] IdentityOf(Place place, Bindings bindings) =>
        [.. place.Pattern!.Placeholders.SelectMany(p => bindings.Find(p)!.Split('_'))];

    /// <summary>The words of a path that tell a thing's files apart: "shelf" of "wares/{name}/shelf.png".</summary>
    private string[] RoleOf(Place place)
    {
        var last = place.Pattern!.Text[(place.Pattern.Text.LastIndexOf('/') + 1)..];
        if (!last.Contains('{', StringComparison.Ordinal)) return [.. NameWords.Of(last[..last.IndexOf('.', StringComparison.Ordinal)]).Words];
        // A file that is called by its thing's name alone: beside others of its group, a folder of its own tells it apart.
        var first = overlay.Profile.Groups.Of(place)[0];
        if (first == place || place.Content != PlaceContent.Picture) return [];
        return [.. Folders(place).Except(Folders(first), StringComparer.Ordinal).Where(w => overlay.Profile.Places.Count(p => p.Pattern is not null && Folders(p).Contains(w, StringComparer.Ordinal)) < 4)];
    }

    /// <summary>The folders of a place's paths that have no hole.</summary>
    private static IEnumerable<string> Folders(Place place) => place.Pattern!.Text.Split('/').SkipLast(1).Where(s => !s.Contains('{', StringComparison.Ordinal));

    /// <summary>The path as it is, or without some of its outer folders.</summary>
    private void ByPath(TreeFile file, Content content, PlaceContent kind, Action<PackPath, Place, double, string> add)
    {
        var segments = file.Path.Segments;
        for (var skip = 0; skip < segments.Length; skip++)
        {
            if (!PackPath.TryParse(string.Join('/', segments.Skip(skip)), out var path, out _)) continue;
            if (overlay.Profile.Locate(path, overlay.Pack.Edition) is not { } located || located.Place.Content != kind || (kind == PlaceContent.Picture && located.Place.Format != content.Format)) continue;
            var ofBase = overlay.Base.Find(path) is not null;
            var reason = skip == 0 ? "the path is the host’s own" : $"the path is the host’s own but for “{string.Join('/', segments.Take(skip))}”";
            add(path, located.Place, (ofBase ? 1 : 0.92) - (skip == 0 ? 0 : 0.02), ofBase ? reason : $"{reason}; a new name");
            return;
        }
    }

    /// <summary>Tables and indexes have no look of their own: their paths alone tell.</summary>
    private void ByOwnPath(TreeFile file, Action<PackPath, Place, double, string> add)
    {
        var segments = file.Path.Segments;
        for (var skip = 0; skip < segments.Length; skip++)
        {
            if (!PackPath.TryParse(string.Join('/', segments.Skip(skip)), out var path, out _) || overlay.Profile.Locate(path, overlay.Edition) is not { Place: { Content: PlaceContent.Table or PlaceContent.Index } place }) continue;
            add(path, place, 0.95, "the path is the host’s own");
            return;
        }
    }

    /// <summary>An entry that one kind accepts goes where its id, or failing that its name, says.</summary>
    private void ByEntry(JsonText entry, Action<PackPath, Place, double, string> add)
    {
        foreach (var place in overlay.Profile.Places)
        {
            if (place.Kind is not { } kind || place.Pattern is null || kind.Judge(entry).Count > 0) continue;
            foreach (var names in place.RulesOf<NamesAgreeRule>(overlay.Pack.Edition))
            {
                if (entry.FindString(names.Field) is not { } id) continue;
                var name = id[(id.LastIndexOf('.') + 1)..];
                if (place.Pattern.Fill(Bindings.Of([(names.Placeholder, name)])) is { } target) add(target, place, 0.95, $"its id is “{id}”");
            }
        }
    }

    private void ByName(TreeFile file, Content content, PlaceContent kind, Action<PackPath, Place, double, string> add)
    {
        var segments = file.Path.Segments;
        var own = NameWords.Of(Stem(segments[^1]));
        var parent = segments.Length > 1 ? NameWords.Of(segments[^2]).Words : [];
        foreach (var item in known)
        {
            if (item.Place.Content != kind || (kind == PlaceContent.Picture && item.Place.Format != content.Format)) continue;
            if (content.Entry is { } entry && item.Place.Kind!.Judge(entry).Count > 0) continue;
            var match = Match(item, own, parent);
            if (match.Score <= 0) continue;
            var (size, says) = JudgeSize(item, content.Size);
            var left = own.LeftOut.Length > 0 ? $" but for “{own.LeftOut}”" : "";
            add(item.Path, item.Place, Math.Clamp(match.Score + size, 0, 0.97), $"{match.Says}{left}{says}");
        }
    }

    /// <summary>A place whose one path the manifest names: what is called like it, or has the only size that it takes.</summary>
    private void ByManifest(TreeFile file, Content content, PlaceContent kind, Action<PackPath, Place, double, string> add)
    {
        var words = NameWords.Of(Stem(file.Path.FileName)).Words;
        foreach (var place in overlay.Profile.Places.Where(p => p.ManifestField is not null && p.Content == kind && p.Editions.Holds(overlay.Pack.Edition)))
        {
            var fits = content.Size is { } size && ExactRule(place)?.Judge(size) is null && ExactRule(place) is not null;
            var named = words.Contains(place.Key, StringComparer.Ordinal);
            if (!fits && !named) continue;
            var says = (fits, named) switch
            {
                (true, true) => $"the name, and {content.Size} as wanted",
                (true, false) => $"{content.Size} as {place.One} has it",
                _ => "the name",
            };
            var target = ManifestNaming.PathOf(overlay.Pack.Manifest, place);
            var naming = overlay.Pack.Manifest.FindPath(place.ManifestField!) is null ? "; the manifest will name it" : "";
            add(target, place, fits && named ? 0.97 : fits ? 0.7 : 0.6, says + naming);
        }
    }

    /// <summary>Without a name to go by, a size that one place alone takes says at least which place it is.</summary>
    private void BySize(PixelSize size, Action<PackPath, Place, double, string> add)
    {
        var places = overlay.Profile.Places.Where(p => ExactRule(p)?.Judge(size) is null && ExactRule(p) is not null && p.Pattern is not null).ToList();
        if (places is not [var place]) return;
        foreach (var item in known.Where(k => k.Place == place && !overlay.PackHas(k.Path)).OrderBy(k => k.Path).Take(MostCandidates))
            add(item.Path, place, Least, $"{size} fits {place.Title.ToLowerInvariant()} only");
    }

    /// <summary>The rule of a place that takes one size only, or null.</summary>
    private SizeRule? ExactRule(Place place) =>
        place.RulesOf<SizeRule>(overlay.Pack.Edition).FirstOrDefault(r => r.Width.Least == r.Width.Most && r.Height.Least == r.Height.Most);

    /// <summary>How well the words of a file fit a thing and the role of one of its files.</summary>
    private static (double Score, string Says) Match(Known item, NameWords own, IReadOnlyList<string> parent)
    {
        var role = item.Role.Length > 0 && item.Role.All(own.Words.Contains);
        var names = own.Words.Where(w => !item.Role.Contains(w, StringComparer.Ordinal)).ToList();
        // A file that is called by its role alone belongs to the thing that its folder names.
        var fromParent = role && names.Count == 0;
        if (fromParent) names = [.. parent];
        if (names.Count == 0) return (0, "");
        var (likeness, slips) = Likeness(names, item.Identity);
        if (likeness < 0.5) return (0, "");
        var says = likeness >= 1 ? slips > 0 ? "the name but for a letter" : fromParent ? "the folder has its name" : "the name" : "part of the name";
        var likely = likeness * likeness * (slips > 0 ? 0.85 : 0.92);
        if (item.Role.Length == 0) return (likely - 0.02, says);
        // Half of a thing's name with the right role is worth a look, though never sure.
        return role ? (Math.Max(likely, likeness * 0.7), $"{says} and “{string.Join(' ', item.Role)}”") : (likely * 0.62, says);
    }

    /// <summary>The share of words that both have, near words counted; words run together count as the whole.</summary>
    private static (double Share, int Slips) Likeness(List<string> words, string[] identity)
    {
        var (joined, wanted) = (string.Concat(words), string.Concat(identity));
        if (joined == wanted) return (1, 0);
        if (Slips.AreOneApart(joined, wanted) && wanted.Length > 4) return (1, 1);
        var rest = new List<string>(identity);
        int hits = 0, slips = 0;
        foreach (var word in words)
        {
            var at = rest.IndexOf(word);
            if (at < 0)
            {
                at = rest.FindIndex(r => r.Length > 3 && Slips.AreOneApart(r, word));
                if (at >= 0) slips++;
            }

            if (at < 0) continue;
            rest.RemoveAt(at);
            hits++;
        }

        return ((double)hits / (words.Count + identity.Length - hits), slips);
    }

    private (double Score, string Says) JudgeSize(Known item, PixelSize? size)
    {
        if (size is not { } picture) return (0, "");
        var rules = item.Place.RulesOf<SizeRule>(overlay.Pack.Edition).ToList();
        var ofBase = item.Base?.Facts.Picture?.Header?.Size;
        var allowed = rules.All(r => r.Judge(picture) is null);
        // Where the place takes one size only, a picture of that size says a lot.
        var exact = ExactRule(item.Place) is not null;
        if (ofBase == picture && allowed) return (exact ? 0.25 : 0.06, $", {picture} as the base’s");
        if (allowed && exact) return (0.25, $", {picture} as wanted");
        if (allowed) return (0, "");
        var wanted = rules[0].Nearest(picture);
        var sameShape = (long)wanted.Width * picture.Height == (long)wanted.Height * picture.Width;
        return (sameShape ? -0.04 : -0.2, $", {picture} would be fitted to {wanted}");
    }

    private static string Stem(string name)
    {
        var dot = name.IndexOf('.', StringComparison.Ordinal);
        return dot > 0 ? name[..dot] : name;
    }

    private sealed record Known(PackPath Path, Place Place, string[] Identity, string[] Role, BaseFile? Base);

    /// <summary>What a file's bytes are.</summary>
    private sealed record Content(PlaceContent? Is, PixelSize? Size, JsonText? Entry, PictureFormat Format = PictureFormat.Png, string Conversion = "")
    {
        private const int MostEntryBytes = 1 << 20;
        private const int PictureHeadBytes = 64;

        public static Content Of(TreeFile file)
        {
            // What is no PNG or DDS becomes a PNG when it is placed.
            if (SourceReader.FormatOf(file.ReadStart(PictureHeadBytes)) is { } format && file.ReadAll() is var bytes && SourceReader.Describe(bytes) is { } picture)
                return new Content(PlaceContent.Picture, picture.Size, null, format == "DDS" ? PictureFormat.Dds : PictureFormat.Png, SourceReader.ConversionOf(bytes));
            if (PngReader.IsPng(file.ReadStart(PictureHeadBytes))) return new Content(PlaceContent.Picture, null, null);
            if (file.Length > MostEntryBytes) return new Content(null, null, null);
            var text = JsonText.Parse(file.ReadAll());
            return text.Problem is null ? new Content(PlaceContent.Entry, null, text) : new Content(null, null, null);
        }
    }
}
