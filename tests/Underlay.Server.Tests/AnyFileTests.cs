using System.Net;
using Underlay.Core.Packs;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>No view of a pack fails as a whole, whatever bytes lie under its names.</summary>
public class AnyFileTests(RunningServer server)
{
    private static readonly string[] Names =
    [
        "art/surfaces/flagstone_grey.png", "art/surfaces/saltbrook_a.surface.json", "art/embers/wares/tea_cup.png", "art/stalls/005.png",
        "art/seals/kiln.png", "art/awnings/quay/noon.png", "art/flames/great/01.png", "art/flames/great/timing.csv", "art/scenes/quay.png",
        "wares/reed_vase/ware.json", "wares/reed_vase/skin.dds", "wares/reed_vase/skin.png", "wares/tea_cup/shelf.png",
        "audio/bells/low.wav", "audio/bells.csv", "tables/seals.csv", "texts/wares.csv", "entries/techniques.json",
        "entries/recipes/tea_cup.json",
        "entries/glazes/celadon.json", "entries/plans/quay.json", "entries/towers/quay.json", "notes.txt", ".underlay/script.csv",
        ".underlay/later.json", ".underlay/placeholders.json", ".underlay/waivers.json", ".underlay/steps/wares/tea_cup/shelf.png.json",
        ".underlay/sources/wares/tea_cup/shelf.png", ".underlay/tray/wares/reed_vase/ware.json", ".underlay/tray/cider_bottle.json",
    ];

    private static readonly string[] Views =
    [
        "", "ledger", "findings", "tray", "entries", "entries/originals", "texts", "texts/file", "script", "script/file", "economy",
        "draft", "operations", "releases",
    ];

    private static readonly string[] OfOne = ["file", "picture", "sound", "sound/forms", "sound/outline", "entry", "entry/ties"];

    /// <summary>By what each kind of content is called here.</summary>
    private static Dictionary<string, byte[]> Kinds()
    {
        var @base = DemoFiles.Base("kilnmoor", "4.0");
        byte[] OfBase(string path) => @base.Find(PackPath.Parse(path))!.ReadAll();
        return new Dictionary<string, byte[]>
        {
            ["picture"] = Picture.Of(56, 56).ToPng(),
            ["half a picture"] = Picture.Of(9, 9).ToPng()[..40],
            ["skin"] = Dds.Of(64, 64),
            ["sound"] = TestSound.Wav(),
            ["ware"] = OfBase("wares/reed_vase/ware.json"),
            ["tower"] = OfBase("entries/towers/quay.json"),
            ["table"] = OfBase("tables/seals.csv"),
            ["odd"] = """{ "": { "": [null] }, "id": 7, "suits": { "wedding": 1, "": "x" }, "price": 1e30 }"""u8.ToArray(),
            ["quote"] = "key,en\n\"a"u8.ToArray(),
            ["empty"] = [],
        };
    }

    public static TheoryData<string> KindNames => [.. Kinds().Keys];

    [Theory]
    [MemberData(nameof(KindNames))]
    public async Task No_view_fails_because_of_a_file(string kind)
    {
        var bytes = Kinds()[kind];
        var pack = await server.NewPackAsync();
        foreach (var name in Names) await pack.PutFileAsync(name, bytes);
        var paths = Views.Concat(Names.Where(n => n[0] != '.').SelectMany(n => OfOne.Select(v => $"{v}?path={Uri.EscapeDataString(n)}")));
        foreach (var path in paths)
        {
            using var answer = await pack.Http.GetAsync($"/api/packs/{pack.Id}{(path.Length > 0 ? "/" : "")}{path}");
            Assert.True((int)answer.StatusCode < 500, $"{path}: {answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
        }

        Assert.DoesNotContain(await pack.FindingsAsync(), f => f.StartsWith("judge/failed", StringComparison.Ordinal));
        using var all = await pack.Http.GetAsync("/api/packs");
        Assert.Equal(HttpStatusCode.OK, all.StatusCode);
    }
}
