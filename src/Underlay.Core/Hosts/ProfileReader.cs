using System.Text;
using Underlay.Core.Entries;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Hosts;

/// <summary>Reads a host profile from its folder. Every error names its file, its pointer and what was expected.</summary>
public sealed class ProfileReader
{
    private const string HostFile = "host.json";

    private readonly FileTree tree;
    private readonly List<ProfileError> errors = [];
    private readonly Dictionary<string, Kind> kinds = new(StringComparer.Ordinal);

    private ProfileReader(FileTree tree) => this.tree = tree;

    /// <summary>Reads the profile, or says all that keeps it from being read.</summary>
    /// <param name="tree">The files of the profile's folder.</param>
    public static ProfileResult Read(FileTree tree)
    {
        var reader = new ProfileReader(tree);
        var profile = reader.ReadHost();
        return new ProfileResult(reader.errors.Count == 0 ? profile : null, [.. reader.errors.Select(reader.Locate)]);
    }

    /// <summary>The error with where in its file it stands.</summary>
    private ProfileError Locate(ProfileError error)
    {
        if (!PackPath.TryParse(error.File, out var path, out _) || !tree.TryFind(path, out var file)) return error;
        var text = JsonText.Parse(file.ReadAll());
        return text.Problem is { At: var stuck } ? error with { At = stuck } : error with { At = text.Locate(error.Pointer) };
    }

    private HostProfile? ReadHost()
    {
        if (ReadJson(HostFile) is not { } json) return null;
        var host = new ProfileCursor(HostFile, "", json.Root, errors);
        var key = host.Text("host");
        var title = host.Text("title");
        var about = host.Text("about");
        var basePrefix = host.Text("basePrefix");
        var editions = host.Objects("editions").Select(ReadEdition).ToList();
        RequireUnique(host, "editions", editions.Select(e => e.Key));
        var placeholders = host.Members("placeholders").Select(ReadPlaceholder).ToDictionary(p => p.Name, StringComparer.Ordinal);
        var words = (
            Outcomes: ReadWords(host, "outcomes", []),
            Drops: ReadWords(host, "drops", OwnCodes.Drops),
            Reasons: ReadWords(host, "reasons", OwnCodes.Reasons));
        var templates = ReadTemplates();
        var manifest = ReadManifest(host.Object("manifest"));
        var codebooks = host.Objects("codebooks", least: 0).Select(c => ReadCodebook(c, placeholders)).OfType<CodebookRule>().ToList();
        var rules = new RuleReader(editions, words.Outcomes, words.Drops);
        var families = host.Objects("families").Select(ReadFamily).ToList();
        RequireUnique(host, "families", families.Select(f => f.Key));
        var places = host.Objects("places").Select(p => ReadPlace(p, placeholders, families, rules)).ToList();
        var unjudged = host.ObjectsIfAny("unjudged").Select(u => ReadUnjudged(u, placeholders)).OfType<UnjudgedRule>().ToList();
        RequireUnique(host, "places", places.Select(p => p.Key));
        var masks = tree.Files
            .Where(f => f.Path.IsBelow("masks"))
            .ToDictionary(f => f.Path.FileName, f => f.ReadAll(), StringComparer.Ordinal);
        var things = new ThingReader(places);
        var thingRules = host.ObjectsIfAny("things").Select(things.Read).ToList();
        var economy = host.ObjectIfAny("economy") is { } found ? new EconomyReader(places, codebooks).Read(found) : null;
        var renamed = host.ObjectsIfAny("renamed").SelectMany(r => ReadRenamed(r, rules)).ToList();
        var package = ReadPackage(host.Object("package"), rules);
        rules.CheckReferences(places, codebooks, masks.Keys.ToHashSet());
        RequireOutlines(places);
        var trial = ReadTrial(host.Object("trial"));
        host.Done();
        RequireTemplates(host, manifest, places, templates);
        return errors.Count > 0 ? null : new HostProfile(places)
        {
            Key = key,
            Title = title,
            About = about,
            BasePrefix = basePrefix,
            Editions = editions,
            Placeholders = placeholders,
            Manifest = manifest!,
            Codebooks = codebooks,
            Families = families,
            Unjudged = unjudged,
            Things = thingRules,
            Economy = economy,
            Renamed = renamed,
            Masks = masks,
            Package = package,
            Trial = trial,
            Outcomes = words.Outcomes,
            Drops = words.Drops,
            Reasons = words.Reasons,
            Templates = templates,
        };
    }

    private JsonText? ReadJson(string name)
    {
        if (!PackPath.TryParse(name, out var path, out _) || !tree.TryFind(path, out var file))
        {
            errors.Add(new ProfileError(name, "", "this file was expected in the profile's folder"));
            return null;
        }

        var json = JsonText.Parse(file.ReadAll());
        if (json.Problem is not { } problem) return json;
        errors.Add(new ProfileError(name, "", problem.Says));
        return null;
    }

    private static Edition ReadEdition(ProfileCursor cursor, int order)
    {
        var edition = new Edition(cursor.Text("key"), cursor.Text("title"), order);
        cursor.Done();
        return edition;
    }

    private static Placeholder ReadPlaceholder((string Name, ProfileCursor Value) member)
    {
        var cursor = member.Value;
        var least = cursor.WholeOr("least", 1, 1);
        var placeholder = new Placeholder(member.Name, cursor.Text("characters"), least, cursor.WholeOr("most", int.MaxValue, least));
        cursor.Done();
        return placeholder;
    }

    private static List<HostWord> ReadWords(ProfileCursor host, string field, IReadOnlyList<string> own)
    {
        var words = new List<HostWord>();
        foreach (var cursor in host.Objects(field))
        {
            var picture = cursor.Has("picture")
                ? cursor.Choice("picture", ("yours", SeenPicture.Yours), ("base", SeenPicture.Base), ("nothing", SeenPicture.Nothing))
                : SeenPicture.Yours;
            words.Add(new HostWord(cursor.Text("code"), cursor.Text("says"), picture));
            cursor.Done();
        }

        RequireUnique(host, field, words.Select(w => w.Code));
        // What Underlay finds by itself has to be said too.
        foreach (var code in own.Where(o => words.TrueForAll(w => w.Code != o)))
            host.Fail(field, $"the code “{code}” was expected among them, which Underlay writes itself");
        return words;
    }

    private Dictionary<string, string> ReadTemplates() =>
        tree.Files
            .Where(f => f.Path.IsBelow("templates"))
            .ToDictionary(f => f.Path.Value["templates/".Length..], f => Encoding.UTF8.GetString(f.ReadAll()), StringComparer.Ordinal);

    private Kind? ReadKind(ProfileCursor cursor, string field)
    {
        var key = cursor.Text(field);
        if (key.Length == 0 || kinds.TryGetValue(key, out var known)) return kinds.GetValueOrDefault(key);
        var file = $"kinds/{key}.schema.json";
        if (ReadJson(file) is not { } json) return null;
        var (kind, problems) = Kind.Read(key, json.Root);
        errors.AddRange(problems.Select(p => new ProfileError(file, p.Pointer, p.Expected)));
        return kinds[key] = kind;
    }

    private void RequireOutlines(IReadOnlyList<Place> places)
    {
        foreach (var (key, scale) in kinds.Select(k => (k.Key, k.Value.Scale)))
            if (scale is not null && places.All(p => p.Key != scale.Place || p.Pattern?.Placeholders is not [_]))
                errors.Add(
                    new ProfileError(
                        $"kinds/{key}.schema.json",
                        "/x-underlay-scale/place",
                        $"the key of a place with one name in its path was expected, not “{scale.Place}”"));
    }

    private ManifestRule? ReadManifest(ProfileCursor cursor)
    {
        var pathText = cursor.Text("path");
        if (!PackPath.TryParse(pathText, out var path, out var problem) && pathText.Length > 0)
            cursor.Fail("path", $"a path was expected; this one {problem.Says()}");
        var format = cursor.Has("format")
            ? cursor.Choice("format", [.. FileFormats.All.OfType<StructuredFormat>().Select(f => (f.Word, f))])
            : FileFormats.Json;
        var kind = ReadKind(cursor, "kind");
        var fields = (
            Id: cursor.Text("id"),
            Title: cursor.Text("title"),
            Version: cursor.Text("version"),
            Author: cursor.Text("author"),
            From: cursor.Text("from"),
            To: cursor.Text("to"));
        var template = cursor.Text("template");
        cursor.Done();
        return kind is null
            ? null
            : new ManifestRule(
                path,
                format,
                kind,
                fields.Id,
                fields.Title,
                fields.Version,
                fields.Author,
                fields.From,
                fields.To,
                template);
    }

    private static CodebookRule? ReadCodebook(ProfileCursor cursor, Dictionary<string, Placeholder> placeholders)
    {
        var key = cursor.Text("key");
        var title = cursor.Text("title");
        var pattern = ReadPattern(cursor, "base", placeholders);
        var column = cursor.TextIfAny("column");
        var items = cursor.TextIfAny("items");
        var also = cursor.TextMembersIfAny("also").ToDictionary(a => a.Name, a => a.Value, StringComparer.Ordinal);
        cursor.Done();
        if (pattern is null) return null;
        if (column is null && items is null && pattern.Placeholders.Count != 1)
            cursor.Fail("base", "a pattern with one placeholder, whose values are the codes, was expected where no column is named");
        return new CodebookRule(key, title, pattern, column, items, also);
    }

    private static PathPattern? ReadPattern(ProfileCursor cursor, string field, Dictionary<string, Placeholder> placeholders)
    {
        var text = cursor.Text(field);
        if (text.Length == 0) return null;
        if (PathPattern.TryParse(text, placeholders, out var pattern, out var problem)) return pattern;
        cursor.Fail(field, $"{problem} was expected");
        return null;
    }

    private static PlaceFamily ReadFamily(ProfileCursor cursor)
    {
        var family = new PlaceFamily(cursor.Text("key"), cursor.Text("title"));
        cursor.Done();
        return family;
    }

    private static UnjudgedRule? ReadUnjudged(ProfileCursor cursor, Dictionary<string, Placeholder> placeholders)
    {
        var (pattern, title) = (ReadPattern(cursor, "path", placeholders), cursor.Text("title"));
        cursor.Done();
        return pattern is null ? null : new UnjudgedRule(pattern, title);
    }

    private static PlaceFamily FindFamily(ProfileCursor cursor, List<PlaceFamily> families)
    {
        var key = cursor.Text("family");
        var family = families.Find(f => f.Key == key);
        if (family is null && key.Length > 0)
            cursor.Fail("family", $"one of {string.Join(", ", families.Select(f => f.Key))} was expected, not “{key}”");
        return family ?? new PlaceFamily(key, key);
    }

    /// <summary>The format that a place's files are in: a picture's is named where it is no PNG.</summary>
    private static FileFormat ReadFormat(ProfileCursor cursor, PlaceContent content)
    {
        if (cursor.Has("format") && content == PlaceContent.Sound)
            return cursor.Choice<FileFormat>("format", ("wav", FileFormats.Wav), ("opus", FileFormats.Opus));
        if (cursor.Has("format"))
            return cursor.Choice("format", [.. FileFormats.All.OfType<PackPictureFormat>().Select(f => (f.Word, f))]);
        return content switch
        {
            PlaceContent.Picture => FileFormats.Png,
            PlaceContent.Sound => FileFormats.Wav,
            PlaceContent.Table => FileFormats.Csv,
            PlaceContent.Index => FileFormats.Xml,
            _ => FileFormats.Json,
        };
    }

    private Place ReadPlace(
        ProfileCursor cursor,
        Dictionary<string, Placeholder> placeholders,
        List<PlaceFamily> families,
        RuleReader rules)
    {
        var content = cursor.Choice(
            "content",
            ("picture", PlaceContent.Picture),
            ("sound", PlaceContent.Sound),
            ("entry", PlaceContent.Entry),
            ("table", PlaceContent.Table),
            ("index", PlaceContent.Index));
        var manifestField = cursor.TextIfAny("pathInManifest");
        var place = new Place
        {
            Key = cursor.Text("key"),
            Title = cursor.Text("title"),
            One = cursor.Text("one"),
            Called = cursor.TextsIfAny("called"),
            Family = FindFamily(cursor, families),
            Pattern = manifestField is null ? ReadPattern(cursor, "path", placeholders) : null,
            ManifestField = manifestField,
            Content = content,
            Kind = content == PlaceContent.Entry ? ReadKind(cursor, "kind") : null,
            Format = ReadFormat(cursor, content),
            Table = content == PlaceContent.Table ? ReadTable(cursor) : null,
            Index = content == PlaceContent.Index ? ReadIndex(cursor.Object("index"), rules) : null,
            Id = cursor.TextIfAny("id"),
            Unreadable = cursor.Has("unreadable")
                ? rules.ReadConsequence(cursor.Object("unreadable"))
                : Consequence.Drops(OwnCodes.Unreadable),
            Rules = rules.ReadRules(cursor.Objects("rules", least: 0)),
            Template = cursor.TextIfAny("template"),
            Basis = RuleReader.ReadBasis(cursor),
            Editions = rules.ReadSpan(cursor),
        };
        cursor.Done();
        return place;
    }

    private static TableShape ReadTable(ProfileCursor cursor)
    {
        var columns = new List<ColumnShape>();
        foreach (var column in cursor.ObjectsIfAny("columns"))
        {
            columns.Add(
                new ColumnShape(
                    column.Text("name"),
                    column.Choice("holds", ("text", ColumnHolds.Text), ("whole", ColumnHolds.Whole), ("number", ColumnHolds.Number))));
            column.Done();
        }

        return new TableShape(cursor.Text("column"), cursor.TextIfAny("merge"), cursor.Flag("rowsAdd"), columns);
    }

    private static IndexShape ReadIndex(ProfileCursor cursor, RuleReader rules)
    {
        var levels = new List<IndexLevel>();
        foreach (var level in cursor.Objects("levels"))
        {
            levels.Add(new IndexLevel(level.Text("element"), level.Text("code"), rules.NoteCodebook(level), level.Flag("identifies")));
            level.Done();
        }

        var shape = new IndexShape(
            cursor.Text("root"),
            levels,
            cursor.Text("file"),
            cursor.Text("span"),
            rules.ReadConsequence(cursor.Object("unknown")),
            rules.ReadConsequence(cursor.Object("twice")));
        cursor.Done();
        return shape;
    }

    private static List<RenamedRule> ReadRenamed(ProfileCursor cursor, RuleReader rules)
    {
        var since = rules.ReadSpan(cursor).Since;
        if (since is null) cursor.Fail("since", "the edition that has the new names was expected");
        var places = rules.ReadPlaces(cursor);
        var placeholder = cursor.Text("placeholder");
        var names = cursor.TextMembers("names");
        cursor.Done();
        return since is null ? [] : [.. names.Select(n => new RenamedRule(since, places, placeholder, n.Name, n.Value))];
    }

    private static PackageRule ReadPackage(ProfileCursor cursor, RuleReader rules)
    {
        var extension = cursor.Text("extension");
        var most = cursor.Whole("mostBytes", 1);
        var container = cursor.Object("container");
        container.Choice("as", ("zip", 0));
        var entries = new List<ContainerEntryRule>();
        foreach (var entry in container.Objects("entries"))
        {
            entries.Add(new ContainerEntryRule(
                entry.TextIfAny("ending") ?? "",
                entry.Choice("method", ("stored", EntryMethod.Stored), ("deflated", EntryMethod.Deflated))));
            entry.Done();
        }

        if (entries.Count > 0 && entries[^1].Files.Length > 0)
            container.Fail("entries", "a last entry without “ending”, for all other files, was expected");
        BundleRule? bundle = null;
        if (container.ObjectIfAny("bundle") is { } inner)
        {
            bundle = new BundleRule(
                inner.Text("below"),
                inner.Text("folder"),
                inner.Whole("most", 1),
                rules.NotePlace(inner, "index", inner.Text("index"), null),
                inner.Text("table"),
                inner.Text("called"));
            inner.Done();
        }

        container.Done();
        cursor.Done();
        return new PackageRule("." + extension, most, entries, bundle);
    }

    private static TrialRule ReadTrial(ProfileCursor cursor)
    {
        var trial = new TrialRule(cursor.Text("program"), cursor.Whole("secondsAllowed", 1));
        cursor.Done();
        return trial;
    }

    private static void RequireTemplates(
        ProfileCursor host,
        ManifestRule? manifest,
        List<Place> places,
        Dictionary<string, string> templates)
    {
        if (manifest is not null && !templates.ContainsKey(manifest.Template))
            host.Object("manifest").Fail("template", $"a file templates/{manifest.Template} was expected");
        for (var i = 0; i < places.Count; i++)
            if (places[i].Template is { } name && !templates.ContainsKey(name))
                host.Fail($"places/{i}/template".Replace("/", "~1", StringComparison.Ordinal), $"a file templates/{name} was expected");
    }

    private static void RequireUnique(ProfileCursor cursor, string field, IEnumerable<string> keys)
    {
        foreach (var twice in keys.GroupBy(k => k, StringComparer.Ordinal).Where(g => g.Key.Length > 0 && g.Count() > 1))
            cursor.Fail(field, $"each key once was expected; “{twice.Key}” stands {twice.Count()} times");
    }
}
