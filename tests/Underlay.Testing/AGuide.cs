using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Testing;

/// <summary>A guide under test, over a small base of Wrenfield.</summary>
public sealed record AGuide(IReadOnlyDictionary<string, byte[]> Files)
{
    public const string Manifest = "[guide]\nid = \"0a1b2c3d-0000-4000-8000-00112233aabb\"\ntitle = \"Test\"\nauthor = "
        + "\"Saltbrook\"\nprinting = 2\nversion = 3\n";

    /// <summary>A guide with a sound manifest and nothing else.</summary>
    public static AGuide Of() => new AGuide(new Dictionary<string, byte[]>()).With("guide.toml", Manifest);

    public FileTree Tree => FileTree.OfBytes(Files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value)));

    public AGuide With(string path, byte[] bytes) => new(new Dictionary<string, byte[]>(Files) { [path] = bytes });

    public AGuide With(string path, string text) => With(path, Encoding.UTF8.GetBytes(text));

    public AGuide With(string path, Picture picture) => With(path, picture.ToPng());

    public AGuide Without(string path) => new(Files.Where(f => f.Key != path).ToDictionary());

    /// <summary>Contents with one row for each of the given: bird, plumage, file.</summary>
    public AGuide WithContents(params (string Bird, string Plumage, string Src)[] rows) =>
        With(
            "contents.xml",
            "<contents about=\"t\"><chapter family=\"brac\">"
                + string.Concat(rows.Select(r => $"<bird code=\"{r.Bird}\"><plate src=\"{r.Src}\" plumage=\"{r.Plumage}\"/></bird>"))
                + "</chapter></contents>");

    /// <inheritdoc cref="APack.Check"/>
    public CheckReport Check(Edition? edition = null) =>
        NoFaults.In(CheckReport.Make(Repository.Wrenfield, edition, SmallLibrary.Of, Tree));

    public IReadOnlyList<Finding> Findings() => Check().Findings;

    /// <summary>The one finding that there is.</summary>
    public Finding Finding() =>
        Findings() is [var only]
            ? only
            : throw new InvalidOperationException(
                "Not one finding but: " + string.Join("; ", Findings().Select(f => $"{f.Code} {f.Path}: {f.Message}")));
}

/// <summary>A base of three birds in two families; with the second printing a plumage and a code changed.</summary>
public static class SmallLibrary
{
    private static readonly Dictionary<string, BaseCatalogue> Catalogues = Repository.Wrenfield.Editions.ToDictionary(
        e => e.Key,
        e =>
            BaseCatalogue.Read(
                Repository.Wrenfield,
                e,
                FileTree.OfBytes(FilesOf(e.Key).Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value)))));

    public static BaseCatalogue Of(Edition edition) => Catalogues[edition.Key];

    public static IReadOnlyDictionary<string, byte[]> FilesOf(string printing)
    {
        var second = printing == "2";
        var guide = AGuide.Of().Without("guide.toml")
            .With(
                "codes/birds.csv",
                $"code,name,family,region\nasbra,Ashen Brackling,brac,coast\n{(second ? "brobr" : "brbra")},Bronze "
                    + $"Brackling,brac,fen\nasmor,Ashen Morrock,morr,moor\n")
            .With("codes/families.csv", "code,name\nbrac,Bracklings\nmurr,Morrocks\n")
            .With("codes/plumages.csv", $"code,name\nadult,Adult\nwinter,Winter\nyoung,Young\n{(second ? "flight,In flight\n" : "")}")
            .With("codes/regions.csv", "code,name\ncoast,Coast\n")
            .With("plates/own.png", Picture.Of(320, 300))
            .With("families/brac.png", Picture.Of(288, 72))
            .With(
                "contents.xml",
                "<contents about=\"own\"><chapter family=\"brac\"><bird code=\"asbra\"><plate src=\"plates/own.png\" "
                    + "plumage=\"adult\"/></bird></chapter></contents>");
        return (second ? guide.With("tints.json", "{ \"adult\": { \"l\": 0.5, \"c\": 0.1, \"h\": 40 } }") : guide).Files;
    }
}
