using System.Buffers.Binary;
using System.IO.Compression;
using System.Net;
using System.Text;
using Underlay.Core.Packaging;
using Underlay.Testing;

namespace Underlay.Server.Tests;

public class TrayTests(RunningServer server)
{
    [Theory]
    [InlineData("art/surfaces/saltbrook_reef.png")]
    [InlineData("art/surfaces/setts_dark.png")]
    public async Task Advice_knows_what_was_placed_since(string target)
    {
        var pack = await server.NewPackAsync();
        var name = target[(target.LastIndexOf('/') + 1)..];
        await pack.DropAsync(
            ($"a/art/surfaces/{name}", Picture.Of(64, 64).ToPng()),
            ($"b/art/surfaces/{name}", Picture.Of(128, 128).ToPng()));
        await pack.GetAsync("tray");
        await pack.PostAsync("tray/placements", new { files = new[] { new { file = $"a/art/surfaces/{name}", target } } });
        var left = (await pack.GetAsync("tray")).GetProperty("rows").EnumerateArray().Single();
        var candidate = left.GetProperty("candidates").EnumerateArray().Single(c => c.GetProperty("target").GetString() == target);
        Assert.False(candidate.GetProperty("isNew").GetBoolean());
        Assert.NotNull(candidate.GetProperty("yoursHash").GetString());
    }

    [Fact]
    public async Task A_messy_folder_is_told_its_places_and_the_sure_ones_are_placed_at_once()
    {
        var pack = await server.NewPackAsync();
        var tray = DemoFiles.Of("trays/tidepool");
        var result = await pack.DropAsync(tray.Files.Select(f => ($"tidepool/{f.Path}", f.ReadAll())));
        Assert.Empty(result.GetProperty("refused").EnumerateArray());
        var view = await pack.GetAsync("tray");
        var sure = view.GetProperty("sure").GetInt32();
        Assert.True(sure >= 35);
        Assert.All(
            view.GetProperty("rows").EnumerateArray().SelectMany(r => r.GetProperty("candidates").EnumerateArray()),
            c => Assert.NotEmpty(c.GetProperty("reason").GetString()!));

        var placed = await pack.PostAsync("tray/placements", new { allSure = true });
        Assert.Equal(sure, placed.GetProperty("placed").GetInt32());
        Assert.Equal(view.GetProperty("rows").GetArrayLength() - sure, (await pack.GetAsync("tray")).GetProperty("rows").GetArrayLength());
        await pack.PostAsync("undo", new { });
        Assert.Equal(sure, (await pack.GetAsync("tray")).GetProperty("sure").GetInt32());
    }

    [Theory]
    [InlineData("parent")]
    [InlineData("absolute")]
    [InlineData("drive")]
    [InlineData("backslash")]
    [InlineData("link")]
    [InlineData("repeated")]
    [InlineData("case")]
    [InlineData("encrypted")]
    [InlineData("crc")]
    [InlineData("longer than said")]
    [InlineData("cut in the directory")]
    [InlineData("cut in the data")]
    public async Task A_bad_archive_is_refused_beside_its_name_and_the_rest_comes_in(string how)
    {
        var pack = await server.NewPackAsync();
        var result = await pack.DropAsync(("bad.zip", ZipParts.Broken(how)), ("good.txt", [1, 2, 3]));
        var refused = Assert.Single(result.GetProperty("refused").EnumerateArray());
        Assert.Equal("bad.zip", refused.GetProperty("path").GetString());
        Assert.Contains("refused whole", refused.GetProperty("says").GetString()!, StringComparison.Ordinal);
        Assert.Equal(["good.txt"], await FilesAsync(pack));
    }

    private static byte[] Oversized(string how)
    {
        if (how == "claims 2 GB") return ZipParts.Write(new ZipPart("a", "x") { Deflated = true, ClaimedLength = 2_000_000_000 });
        if (how == "grows 1,000 times")
            return ZipParts.Write(new ZipPart(Encoding.UTF8.GetBytes("a"), new byte[4_000_000]) { Deflated = true });
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
            for (var i = 0; i <= ArchiveLimits.Standard.Entries; i++) zip.CreateEntry($"{i}");
        return stream.ToArray();
    }

    [Theory]
    [InlineData("claims 2 GB", "claims 2,000,000,000 bytes")]
    [InlineData("grows 1,000 times", "250 times")]
    [InlineData("too many entries", "200,001 entries")]
    public async Task An_archive_that_would_fill_the_disk_is_refused_and_the_rest_comes_in(string how, string says)
    {
        var pack = await server.NewPackAsync();
        var result = await pack.DropAsync(("bomb.zip", Oversized(how)), ("good.txt", [1]));
        Assert.Contains(
            says,
            Assert.Single(result.GetProperty("refused").EnumerateArray()).GetProperty("says").GetString()!,
            StringComparison.Ordinal);
        Assert.Equal(["good.txt"], await FilesAsync(pack));
    }

    [Fact]
    public async Task A_picture_whose_header_claims_30000_pixels_a_side_is_a_finding()
    {
        var pack = await server.NewPackAsync();
        var parts = Picture.Of(4, 4).Chunks();
        BinaryPrimitives.WriteInt32BigEndian(parts.Chunks[0].Data, 30_000);
        BinaryPrimitives.WriteInt32BigEndian(parts.Chunks[0].Data.AsSpan(4), 30_000);
        await pack.DropAsync(("setts_dark.png", parts.ToBytes()));
        await pack.PostAsync(
            "tray/placements",
            new { files = new[] { new { file = "setts_dark.png", target = "art/surfaces/setts_dark.png", insist = true } } });
        Assert.Equal(["image/unreadable art/surfaces/setts_dark.png"], await pack.FindingsAsync());
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await pack.Http.GetAsync($"/api/packs/{pack.Id}/picture/difference?path=art/surfaces/setts_dark.png")).StatusCode);
    }

    [Fact]
    public async Task Bad_names_are_refused_beside_the_file_and_the_rest_comes_in()
    {
        var pack = await server.NewPackAsync();
        string[] bad = ["../up.png", "/root.png", "a\\b.png", "C:/x.png", "nul.png", "dot./x.png", "x\u0001.png", new string('a', 500)];
        var result = await pack.DropAsync([.. bad.Select(b => (b, new byte[] { 1 })), ("good.png", new byte[] { 2 })]);
        Assert.Equal(
            bad.Order(StringComparer.Ordinal),
            result.GetProperty("refused").EnumerateArray().Select(r => r.GetProperty("path").GetString()).Order(StringComparer.Ordinal));
        Assert.All(result.GetProperty("refused").EnumerateArray(), r => Assert.NotEmpty(r.GetProperty("says").GetString()!));
        Assert.Equal(["good.png"], await FilesAsync(pack));
    }

    [Fact]
    public async Task A_broken_picture_comes_in_and_is_a_finding_once_it_is_placed()
    {
        var pack = await server.NewPackAsync();
        await pack.DropAsync(("flag.png", Picture.Of(64, 64).ToPng()[..60]));
        var stays = await pack.PostAsync(
            "tray/placements",
            new { files = new[] { new { file = "flag.png", target = "art/surfaces/setts_dark.png" } } });
        Assert.Contains("cannot be read", stays.GetProperty("left")[0].GetProperty("says").GetString(), StringComparison.Ordinal);
        Assert.Single(await FilesAsync(pack));
        await pack.PostAsync(
            "tray/placements",
            new { files = new[] { new { file = "flag.png", target = "art/surfaces/setts_dark.png", insist = true } } });
        Assert.Equal(["image/unreadable art/surfaces/setts_dark.png"], await pack.FindingsAsync());
    }

    [Fact]
    public async Task A_front_picture_is_known_by_its_size_and_the_manifest_comes_to_name_it()
    {
        var pack = await server.NewPackAsync();
        await pack.DropAsync(("DSC_0001.png", Picture.Filled(320, 200, new Pixel(9, 9, 9, 255)).ToPng()));
        var row = (await pack.GetAsync("tray")).GetProperty("rows")[0];
        var candidate = row.GetProperty("candidates")[0];
        Assert.Equal("front.png", candidate.GetProperty("target").GetString());
        Assert.Contains("the manifest will name it", candidate.GetProperty("reason").GetString()!, StringComparison.Ordinal);
        await pack.PostAsync("tray/placements", new { files = new[] { new { file = "DSC_0001.png", target = "front.png" } } });
        Assert.Equal(["pack/empty "], await pack.FindingsAsync());
        Assert.Equal("front.png", (await pack.GetAsync("")).GetProperty("summary").GetProperty("front").GetString());
        await pack.PostAsync("undo", new { });
        Assert.Null((await pack.GetAsync("")).GetProperty("summary").GetProperty("front").GetString());
    }

    [Fact]
    public async Task The_same_file_twice_is_one_and_another_of_its_name_gets_a_number()
    {
        var pack = await server.NewPackAsync();
        await pack.DropAsync(("a/pot.png", [1]));
        await pack.DropAsync(("a/pot.png", [1]));
        await pack.DropAsync(("a/pot.png", [2]));
        await pack.DropAsync(("A/POT.png", [3]));
        Assert.Equal(["A/POT (3).png", "a/pot (2).png", "a/pot.png"], (await FilesAsync(pack)).Order(StringComparer.Ordinal));
    }

    [Fact]
    public async Task Archives_are_opened_once_and_what_is_in_them_stands_below_their_name()
    {
        var pack = await server.NewPackAsync();
        var inner = ZipParts.Write(new ZipPart("deep.txt"));
        var outer = ZipParts.Write(new ZipPart("top.txt"), new ZipPart(Encoding.UTF8.GetBytes("inner.zip"), inner));
        await pack.DropAsync(("glazes.zip", outer));
        Assert.Equal(["glazes.zip/inner.zip", "glazes.zip/top.txt"], await FilesAsync(pack));
    }

    [Fact]
    public async Task A_file_is_placed_only_outside_the_reserved_folder()
    {
        var pack = await server.NewPackAsync();
        await pack.DropAsync(("a.png", [1]));
        var result = await pack.PostAsync(
            "tray/placements",
            new
            {
                files = new[] { new { file = "a.png", target = ".underlay/waivers.json" }, new { file = "gone.png", target = "x.png" } },
            });
        Assert.Equal(0, result.GetProperty("placed").GetInt32());
        Assert.Equal(["a.png", "gone.png"], result.GetProperty("left").EnumerateArray().Select(l => l.GetProperty("path").GetString()));
        Assert.Equal(["a.png"], await FilesAsync(pack));
    }

    [Fact]
    public async Task A_picture_with_steps_takes_a_placed_file_as_its_new_source()
    {
        var pack = await server.NewPackAsync();
        const string Path = "art/surfaces/setts_dark.png";
        await pack.PutFileAsync(Path, Picture.Of(96, 96).ToPng());
        await TestPack.ReadAsync(
            await pack.Http.PutAsync(
                $"/api/packs/{pack.Id}/picture/steps",
                System.Net.Http.Json.JsonContent.Create(
                    new { path = Path, steps = new[] { new { @do = "fit", width = 64, height = 64, mode = "stretch" } } })));
        await pack.DropAsync(("setts_dark.png", Picture.Of(128, 128).ToPng()));
        await pack.PostAsync("tray/placements", new { files = new[] { new { file = "setts_dark.png", target = Path } } });
        var picture = await pack.GetAsync($"picture?path={Path}");
        Assert.Equal(128, picture.GetProperty("source").GetProperty("size").GetProperty("width").GetInt32());
        Assert.Equal(64, picture.GetProperty("yours").GetProperty("size").GetProperty("width").GetInt32());
        Assert.Empty(await FilesAsync(pack));
    }

    [Fact]
    public async Task Files_are_thrown_away_and_come_back_with_an_undo()
    {
        var pack = await server.NewPackAsync();
        await pack.DropAsync(("a.png", [1]), ("b.png", [2]));
        await pack.PostAsync("tray/discards", new { files = new[] { "a.png", "b.png" } });
        Assert.Empty(await FilesAsync(pack));
        await pack.PostAsync("undo", new { });
        Assert.Equal(["a.png", "b.png"], await FilesAsync(pack));
    }

    private static async Task<List<string>> FilesAsync(TestPack pack) =>
        [
            .. (await pack.GetAsync("tray"))
                .GetProperty("rows")
                .EnumerateArray()
                .Select(r => r.GetProperty("file").GetString()!)
                .Order(StringComparer.Ordinal),
        ];
}
