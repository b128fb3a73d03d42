using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
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
    public APack WithWare(string name, string? id = null) => this
        .With($"wares/{name}/ware.json", SmallBase.Ware(id ?? $"saltbrook.{name}"))
        .With($"wares/{name}/shelf.png", Picture.Shelf())
        .With($"wares/{name}/skin.png", Picture.Of(64, 64));

    /// <summary>A new surface with its descriptor.</summary>
    public APack WithSurface(string name, Picture picture, string descriptor = SmallBase.Descriptor) => this
        .With($"art/surfaces/{name}.png", picture)
        .With($"art/surfaces/{name}.surface.json", descriptor);

    public CheckReport Check(Edition? edition = null) => CheckReport.Make(Repository.Kilnmoor, edition, _ => SmallBase.Catalogue, Tree);

    public IReadOnlyList<Finding> Findings() => Check().Findings;

    /// <summary>The one finding that there is.</summary>
    public Finding Finding() => Findings() is [var only] ? only : throw new InvalidOperationException("Not one finding but: " + string.Join("; ", Findings().Select(f => $"{f.Code} {f.Path}: {f.Message}")));
}

/// <summary>A base of three surfaces and two wares, in the places of Kilnmoor 4.0.</summary>
public static class SmallBase
{
    public const string Descriptor = """{ "made_of": "stone", "edge": "opaque" }""";

    public static IReadOnlyDictionary<string, byte[]> Files { get; } = Make();

    public static BaseCatalogue Catalogue { get; } = BaseCatalogue.Read(
        Repository.Kilnmoor,
        Repository.Kilnmoor.Newest,
        FileTree.OfBytes(Files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));

    public static string Ware(string id, string shape = "jug", string madeOf = "clay", string price = "12") =>
        $$"""{ "id": "{{id}}", "shape": "{{shape}}", "made_of": "{{madeOf}}", "price": {{price}} }""";

    private static Dictionary<string, byte[]> Make()
    {
        var files = APack.Empty
            .With("tables/materials.csv", "code,name,group,since\nstone,Stone,ground,3.0\nclay,Clay,clay,3.0\nreed,Reed,grown,3.0\n")
            .With("art/shapes/jug.json", "{}")
            .With("art/shapes/bowl.json", "{}")
            .WithSurface("flagstone", Own(Picture.Of(64, 64)))
            .WithSurface("fence", Own(Picture.Of(64, 64)).With(3, 3, default), """{ "made_of": "reed", "edge": "mask", "grain": "flagstone" }""")
            .WithSurface("water", Picture.Filled(64, 64, new Pixel(9, 60, 90, 130)), """{ "made_of": "stone", "edge": "blend" }""");
        foreach (var (name, shape) in new[] { ("milk_jug", "jug"), ("soup_bowl", "bowl") })
        {
            files = files
                .With($"wares/{name}/ware.json", Ware($"moor.{name}", shape))
                .With($"wares/{name}/shelf.png", Own(Picture.Shelf()))
                .With($"wares/{name}/skin.png", Own(Picture.Of(64, 64)))
                .With($"wares/{name}/mask.png", Own(Picture.Mask()));
        }

        return new Dictionary<string, byte[]>(files.Files);
    }

    /// <summary>The base's pictures differ in a pixel from those that tests lay over them.</summary>
    private static Picture Own(Picture picture) => picture.With(7, 7, new Pixel(1, 0, 3, 255));
}
