using System.Net;
using System.Text;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>The other host, whose manifest is TOML, whose pictures are tied by an index and whose versions are whole numbers.</summary>
public class OtherHostTests(RunningServer server)
{
    private const string Contents = """
        <contents about="t"><chapter family="brac">
        <bird code="asbra"><plate src="plates/a.png" plumage="adult"/></bird>
        </chapter></contents>
        """;

    private async Task<TestPack> NewGuideAsync() => await TestPack.BeginAsync(server.CreateClient(), "Shore Plates", "wrenfield", "2");

    private static async Task<string> CodeAsync(TestPack guide) =>
        (await guide.GetAsync("findings"))
            .GetProperty("rows")
            .EnumerateArray()
            .Select(f => f.GetProperty("name").GetProperty("code").GetString()!)
            .SingleOrDefault()
            ?? "";

    [Fact]
    public async Task A_new_guide_is_clean_and_goes_from_a_plate_to_a_release()
    {
        var guide = await NewGuideAsync();
        Assert.Equal("pack/empty", await CodeAsync(guide));
        await guide.PutFileAsync("plates/a.png", Picture.Of(300, 300).ToPng());
        Assert.Equal("index/missing-row", await CodeAsync(guide));

        // The first bird of the base, whatever its code is.
        var code = Encoding.UTF8.GetString(
            DemoFiles.Base("wrenfield", "2").Files.Single(f => f.Path.Value == "codes/birds.csv").ReadAll())
            .Split('\n')[1]
            .Split(',')[0];
        await guide.PutFileAsync("contents.xml", Contents.Replace("asbra", code, StringComparison.Ordinal));
        Assert.Empty(await guide.FindingsAsync());

        var draft = await guide.GetAsync("draft");
        Assert.Equal("1", draft.GetProperty("suggested").GetString());
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await guide.TryPostAsync("releases", new { version = "1.0.0", notes = "", allowBlockers = false })).StatusCode);
        var job = await guide.EndOfAsync(await guide.PostAsync("releases", new { version = "4", notes = "", allowBlockers = false }));
        Assert.Equal("done", job.GetProperty("state").GetString());
        Assert.Contains("version = 4", Encoding.UTF8.GetString((await guide.FileAsync("guide.toml"))!), StringComparison.Ordinal);
        Assert.Equal("5", (await guide.GetAsync("draft")).GetProperty("suggested").GetString());
        Assert.Empty((await guide.GetAsync("draft")).GetProperty("changes").EnumerateArray());

        var trial = await guide.EndOfAsync(await guide.PostAsync("trials", new { }));
        Assert.All(
            trial.GetProperty("result").GetProperty("report").GetProperty("shown").EnumerateArray(),
            s => Assert.Equal("right", s.GetProperty("as").GetString()));
    }

    [Fact]
    public async Task Whatever_Define_shows_is_counted()
    {
        var guide = await NewGuideAsync();
        async Task<int> CountAsync() => (await guide.GetAsync("")).GetProperty("summary").GetProperty("definitions").GetInt32();
        Assert.Equal(1, await CountAsync());
        await guide.PutFileAsync("contents.xml", Contents);
        await guide.PutFileAsync("plates/a.png", Picture.Of(300, 300).ToPng());
        await guide.PutFileAsync("tints.json", "{}"u8.ToArray());
        Assert.Equal(3, await CountAsync());
        Assert.Equal(3, (await guide.GetAsync("entries")).GetProperty("entries").GetArrayLength());
    }

    [Fact]
    public async Task A_guide_that_was_built_comes_in_again_with_its_plates_out_of_their_folios()
    {
        var guide = await NewGuideAsync();
        var plate = Picture.Of(300, 300).ToPng();
        await guide.PutFileAsync("plates/shore/a b.png", plate);
        await guide.EndOfAsync(await guide.PostAsync("releases", new { version = "1", notes = "", allowBlockers = true }));
        var release = (await guide.GetAsync("releases"))[0];
        var package = await guide.Http.GetByteArrayAsync($"/api/packs/{guide.Id}/releases/{release.GetProperty("id").GetString()}/package");
        var again = await TestPack.ReadAsync(
            await guide.Http.PostAsync("/api/packs/import?host=wrenfield", TestPack.Upload([("shore_plates-1.wrenfield", package)])));
        var id = again.GetProperty("id").GetString();
        Assert.Equal(plate, await guide.Http.GetByteArrayAsync($"/api/packs/{id}/file?path=plates/shore/a%20b.png"));
        Assert.DoesNotContain(
            "folio",
            Encoding.UTF8.GetString(await guide.Http.GetByteArrayAsync($"/api/packs/{id}/file?path=guide.toml")),
            StringComparison.Ordinal);
    }

    [Fact]
    public async Task Manifest_and_contents_are_judged_as_they_are_typed()
    {
        var guide = await NewGuideAsync();
        var entry = await guide.GetAsync("entry?path=guide.toml");
        Assert.Equal("toml", entry.GetProperty("language").GetString());
        var judged = await guide.PostAsync("entry/judgements", new { path = "guide.toml", text = "[guide]\ntitle = 3\n" });
        Assert.Contains(
            judged.GetProperty("faults").EnumerateArray(),
            f => f.GetProperty("pointer").GetString() == "/guide/title" && f.GetProperty("line").GetInt32() == 2);
        await guide.PutFileAsync("contents.xml", Contents);
        var xml = await guide.PostAsync("entry/judgements", new { path = "contents.xml", text = "<contents>\n<chapter/>\n</contents>" });
        Assert.Equal(2, Assert.Single(xml.GetProperty("faults").EnumerateArray()).GetProperty("line").GetInt32());
    }

    [Fact]
    public async Task A_picture_of_another_format_is_shown_to_pages_and_placed_as_PNG()
    {
        var pack = await server.NewPackAsync();
        var bmp = Bmp(56, 56);
        await pack.DropAsync(("water_jug_shelf.bmp", bmp));
        var row = Assert.Single((await pack.GetAsync("tray")).GetProperty("rows").EnumerateArray());
        Assert.Contains(
            "a BMP that becomes a PNG",
            row.GetProperty("candidates")[0].GetProperty("reason").GetString(),
            StringComparison.Ordinal);
        await pack.PostAsync(
            "tray/placements",
            new { allSure = false, files = new[] { new { file = "water_jug_shelf.bmp", target = "wares/water_jug/shelf.png" } } });
        Assert.Equal([137, 80, 78, 71], (await pack.FileAsync("wares/water_jug/shelf.png"))![..4]);
        Assert.Equal(bmp, await pack.FileAsync(".underlay/sources/wares/water_jug/shelf.png"));
        using var request = new HttpRequestMessage(
            HttpMethod.Get,
            $"/api/packs/{pack.Id}/file?path=.underlay/sources/wares/water_jug/shelf.png");
        request.Headers.Accept.ParseAdd("image/*");
        Assert.Equal("image/png", (await pack.Http.SendAsync(request)).Content.Headers.ContentType!.MediaType);
    }

    /// <summary>A BMP of 24 bits, all of one colour.</summary>
    private static byte[] Bmp(int width, int height)
    {
        var row = ((width * 3) + 3) / 4 * 4;
        var file = new byte[54 + (row * height)];
        (file[0], file[1], file[10], file[14], file[26], file[28]) = ((byte)'B', (byte)'M', 54, 40, 1, 24);
        BitConverter.TryWriteBytes(file.AsSpan(2), file.Length);
        BitConverter.TryWriteBytes(file.AsSpan(18), width);
        BitConverter.TryWriteBytes(file.AsSpan(22), height);
        file.AsSpan(54).Fill(120);
        return file;
    }
}
