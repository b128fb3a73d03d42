using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Testing;

/// <summary>A pack under test, over a small base: <c>APack.Of().With("wares/jug/shelf.png", Picture.Of(56, 56))</c>.</summary>
public sealed record APack(IReadOnlyDictionary<string, byte[]> Files)
{
    public const string Manifest = """
        { "id": "saltbrook.test", "version": "1.0.0", "title": "Test", "by": "Saltbrook", "reads": { "from": "4.0", "to": "4.0" } }
        """;

    /// <summary>A pack with a sound manifest and nothing else.</summary>
    public static APack Of() => Empty.With("firing.json", Manifest);

    public static APack Empty { get; } = new(new Dictionary<string, byte[]>());

    public FileTree Tree => FileTree.OfBytes(Files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value)));

    public APack With(string path, byte[] bytes) => new(new Dictionary<string, byte[]>(Files) { [path] = bytes });

    public APack With(string path, string text) => With(path, Encoding.UTF8.GetBytes(text));

    public APack With(string path, Picture picture) => With(path, picture.ToPng());

    public APack Without(string path) => new(Files.Where(f => f.Key != path).ToDictionary());

    /// <summary>A new ware with all that it needs.</summary>
    public APack WithWare(string name, string? id = null) => WithTexts(
        $"{id ?? $"saltbrook.{name}"}/name",
        $"{id ?? $"saltbrook.{name}"}/about")
        .With($"wares/{name}/ware.json", SmallBase.Ware(id ?? $"saltbrook.{name}"))
        .With($"wares/{name}/shelf.png", Picture.Shelf())
        .With($"wares/{name}/skin.png", Picture.Of(64, 64));

    /// <summary>Texts for keys, in every language, beside those that the pack has.</summary>
    public APack WithTexts(params string[] keys)
    {
        var before = Files.TryGetValue("texts/pack.csv", out var bytes) ? Encoding.UTF8.GetString(bytes) : "key,en,de,fr\n";
        return With("texts/pack.csv", before + string.Concat(keys.Select(k => $"{k},One,Eins,Un\n")));
    }

    /// <summary>A new surface with its descriptor.</summary>
    public APack WithSurface(string name, Picture picture, string descriptor = SmallBase.Descriptor) => this
        .With($"art/surfaces/{name}.png", picture)
        .With($"art/surfaces/{name}.surface.json", descriptor);

    /// <summary>Its check; a fault of ours is thrown, and not taken for a finding.</summary>
    public CheckReport Check(Edition? edition = null) => NoFaults.In(CheckReport.Make(Repository.Kilnmoor, edition, SmallBase.Of, Tree));

    public IReadOnlyList<Finding> Findings() => Check().Findings;

    /// <summary>What is found, but that there is nothing in the pack yet.</summary>
    public IReadOnlyList<Finding> Faults() => [.. Findings().Where(f => f.Code.Value != "pack/empty")];

    /// <summary>The one finding that there is, advice on how things look aside; or the one piece of such advice.</summary>
    public Finding Finding()
    {
        var all = Faults();
        var plain = all.Where(f => !OnLooks.Contains(f.Code.Value)).ToList();
        return plain is [var only]
            ? only
            : plain.Count == 0 && all is [var advice]
            ? advice
            : throw new InvalidOperationException(
                "Not one finding but: " + string.Join("; ", all.Select(f => $"{f.Code} {f.Path}: {f.Message}")));
    }

    /// <summary>The one finding of a code, where it is advice on looks; else the one finding that there is.</summary>
    public Finding Finding(string code) => OnLooks.Contains(code) ? Findings().Single(f => f.Code.Value == code) : Finding();

    private static readonly string[] OnLooks = ["thing/half-changed", "image/unlike-base", "image/neighbour-step"];
}

/// <summary>A base with something in every place of Kilnmoor 4.0.</summary>
public static class SmallBase
{
    public const string Descriptor = """{ "made_of": "stone", "edge": "solid" }""";

    public static IReadOnlyDictionary<string, byte[]> Files { get; } = Make();

    private static readonly Dictionary<string, BaseCatalogue> Catalogues = Repository.Kilnmoor.Editions.ToDictionary(
        e => e.Key,
        e =>
            BaseCatalogue.Read(
                Repository.Kilnmoor,
                e,
                FileTree.OfBytes(FilesOf(e.Key).Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value)))));

    /// <summary>Of the newest edition.</summary>
    public static BaseCatalogue Catalogue => Of(Repository.Kilnmoor.Newest);

    public static BaseCatalogue Of(Edition edition) => Catalogues[edition.Key];

    /// <summary>The files of an edition: until 3.1 pictures were smaller, in 3.0 nothing glowed.</summary>
    public static IReadOnlyDictionary<string, byte[]> FilesOf(string edition)
    {
        if (edition == "4.0") return Files;
        var files = new Dictionary<string, byte[]>(Files) { ["art/scenes/quay.png"] = Own(Picture.Of(240, 135)).ToPng() };
        foreach (var path in files.Keys.Where(p => p.EndsWith("/shelf.png", StringComparison.Ordinal)).ToList())
            files[path] = Own(Picture.Shelf(48, 48)).ToPng();
        files["entries/recipes/milk_jug.json"] = Encoding.UTF8.GetBytes(Recipe().Replace("95", "\"1h35\"", StringComparison.Ordinal));
        if (edition == "3.0") files.Remove("entries/towers/quay.json");
        if (edition == "3.0") files.Remove("art/embers/wares/soup_bowl.png");
        return files;
    }

    public static string Ware(string id, string shape = "jug", string madeOf = "clay", string price = "12") =>
        $$"""{ "id": "{{id}}", "shape": "{{shape}}", "made_of": "{{madeOf}}", "price": {{price}} }""";

    public static string Recipe(
        string id = "moor.milk_jug",
        string uses = """{ "material": "clay", "amount": 2 }""",
        string makes = """{ "ware": "moor.milk_jug", "amount": 1 }""",
        string more = "") =>
        $$"""{ "id": "{{id}}", "station": "wheel", "uses": [{{uses}}], "makes": [{{makes}}], "minutes": 95{{more}} }""";

    public static string Plan(string id = "moor.quay", string width = "3", string occasions = "\"fair\"") =>
        $$"""
        { "id": "{{id}}", "size_m": { "x": 40, "y": 30 }, "gate": "steps",
          "fixtures": [{ "id": "one", "kind": "stall", "x": 3, "y": 4 }, { "id": "two", "kind": "well", "x": 9, "y": 9 }],
          "lanes": [{ "from": "steps", "to": "one", "width_m": {{width}} }, { "from": "two", "to": "one", "width_m": 2 }],
          "occasions": [{{occasions}}] }
        """;

    public static string Tower(string id = "moor.quay", string occasions = "\"fair\"", string weather = "any") =>
        $$"""
        { "id": "{{id}}", "occasions": [{{occasions}}], "peals": [
          { "signal": "opening", "weather": "{{weather}}", "strokes": [{ "audio": "bells/one", "turns": 1, "rest_ms": 400 }] },
          { "signal": "closing", "weather": "any", "strokes": [{ "audio": "bells/one", "turns": 1, "rest_ms": 400 }] }] }
        """;

    private static Dictionary<string, byte[]> Make()
    {
        var files = APack.Empty
            .With("tables/materials.csv", "code,name,group,since\nstone,Stone,ground,3.0\nclay,Clay,clay,3.0\nreed,Reed,grown,3.0\n")
            .With("codes/markets.csv", "code,name,group,since\nquay,Quay,,3.0\nhill,Hill,,3.0\n")
            .With("codes/kilns.csv", "code,name,group,since\nupdraught,Updraught kiln,,3.0\npit,Pit,,3.0\n")
            .With("tables/stations.csv", "code,name\nwheel,Wheel\nkiln,Kiln\n")
            .With("codes/reactions.csv", "code,name,group,since\ncrackle,Crackle,,3.0\ndrip,Drip,,3.0\n")
            .With(
                "codes/parameters.csv",
                "code,name,group,since,unit,least,most,usual\ndrip.length_mm,Length,drip,3.0,mm,1,40,8\n"
                    + "drip.spacing_mm,Spacing,drip,3.0,mm,2,60,12\ncrackle.fineness,Fineness,crackle,3.0,,0,1,0.5\n")
            .With("codes/fixtures.csv", "code,name,group,since\nstall,Stall,,3.0\nwell,Well,,3.0\n")
            .With("codes/occasions.csv", "code,name,group,since,needs\nfair,Fair,,3.0,stall well\nrest,Day of rest,,3.0,\n")
            .With(
                "codes/signals.csv",
                "code,name,group,since,status\nopening,Opening,fair,3.0,required\nclosing,Closing,fair,3.0,required\n"
                    + "rain_off,Rained off,fair,3.0,optional\nmatins,Matins,rest,3.0,required\n")
            .With(
                "entries/techniques.json",
                """{ "entries": [{ "id": "moor.throwing" }, { "id": "moor.glazing", "learned_after": "moor.throwing" }] }""")
            .With("entries/recipes/milk_jug.json", Recipe())
            .With("entries/plans/quay.json", Plan())
            .With("entries/towers/quay.json", Tower())
            .With("audio/bells.csv", "name,loop_from,loop_to,gain_db\none,,,\n")
            .With("audio/bells/one.wav", TestSound.Wav(level: 0.31))
            .With("audio/ambience.csv", "name,loop_from,loop_to,gain_db\nquay,0,4000,-3\n")
            .With("audio/ambience/quay.wav", TestSound.Wav(channels: 2, level: 0.29))
            .With("tables/almanac.csv", "code,season\nfirst_frost,winter\n")
            .With(
                "texts/all.csv",
                "key,en,de,fr\n" + string.Concat(
                    new[]
                    {
                        "moor.milk_jug/name", "moor.milk_jug/about", "moor.soup_bowl/name", "moor.soup_bowl/about", "moor.big_jug/name",
                        "moor.big_jug/about", "moor.celadon/name", "moor.throwing/name", "moor.glazing/name", "moor.quay/name",
                        "first_frost/line",
                    }.Select(k => $"{k},Old,Alt,Vieux\n")))
            .With("codes/neighbours.csv", "one,other\nflagstone,fence\n")
            .With("art/shapes/jug.json", Outline)
            .With("art/shapes/bowl.json", Outline)
            .With("art/shapes/slab.json", """{ "outline": [[0, 0.3], [1, 0.5]], "bands": { "foot": [0, 0.4], "body": [0.4, 1] } }""")
            .With("tables/seals.csv", "code,name\nclay_mark,Clay mark\n")
            .With("art/seals/clay_mark.png", Own(Picture.Of(60, 44).WithClearRing()))
            .With("entries/glazes/celadon.json", """{ "id": "moor.celadon", "body": "#9ec2b4", "rim": "#2f6e63" }""")
            .With("art/friezes/year.png", Own(Picture.Filled(1190, 150, new Pixel(90, 80, 70, 255))))
            .With("art/scenes/quay.png", Own(Picture.Of(264, 150)))
            .With("art/embers/wares/soup_bowl.png", Own(Picture.Filled(64, 64, new Pixel(0, 0, 0, 255)), grey: true))
            .With("art/stalls/001.png", Own(Picture.Of(96, 72)))
            .With("art/stalls/002.png", Own(Picture.Of(96, 72)))
            .WithSurface("flagstone", Own(Picture.Of(64, 64)))
            .WithSurface(
                "fence",
                Own(Picture.Of(64, 64)).With(3, 3, default),
                """{ "made_of": "reed", "edge": "cut", "under": { "surface": "flagstone", "share": 0.3 } }""")
            .WithSurface("water", Picture.Filled(64, 64, new Pixel(9, 60, 90, 130)), """{ "made_of": "stone", "edge": "soft" }""");
        foreach (var member in new[] { "dawn", "noon", "lamp" })
            files = files.With($"art/awnings/quay/{member}.png", Own(Picture.Of(150, 60)));
        foreach (var width in new[] { 64, 96, 128, 192 })
            files = files.With($"art/boards/oak/{width}.png", Own(Picture.Of(width, 48).WithClearRing()));
        for (var i = 1; i <= 4; i++) files = files.With($"art/flames/updraught/0{i}.png", Own(Picture.Of(40, 40)));
        foreach (var (name, entry) in new[]
        {
            (
                "milk_jug",
                """{ "id": "moor.milk_jug", "shape": "jug", "made_of": "clay", "price": 12, "stall": "001", "glaze": "moor.celadon" }"""),
            ("soup_bowl", """{ "id": "moor.soup_bowl", "shape": "bowl", "made_of": "clay", "price": 12, "stall": "002", "ember": 0.5 }"""),
            ("big_jug", """{ "id": "moor.big_jug", "like": "moor.milk_jug", "price": 20 }"""),
        })
        {
            files = files
                .With($"wares/{name}/ware.json", entry)
                .With($"wares/{name}/shelf.png", Own(Picture.Shelf()))
                .With($"wares/{name}/skin.png", Own(Picture.Of(64, 64)))
                .With($"wares/{name}/mask.png", Own(Picture.Mask()));
        }

        return new Dictionary<string, byte[]>(files.Files);
    }

    /// <summary>The base's pictures differ in a pixel from those that tests lay over them.</summary>
    private static Picture Own(Picture picture, bool grey = false) =>
        picture.With(7, 7, grey ? new Pixel(1, 1, 1, 255) : new Pixel(1, 0, 3, 255));

    private const string Outline = """{ "outline": [[0, 0.5], [1, 0.4]] }""";
}
