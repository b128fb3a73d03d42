using System.Net;
using System.Net.Http.Json;
using Underlay.Core.Formats;
using Underlay.Testing;

namespace Underlay.Server.Tests;

public class FindingTests(RunningServer server)
{
    private const string Surface = "art/surfaces/setts_dark.png";

    private static object Named(string code, string path) => new { code, path, pointer = "", discriminator = "" };

    private static object Fixes(params object[] findings) => new { fixes = findings.Select(finding => new { finding }).ToArray() };

    [Fact]
    public async Task A_change_is_checked_at_once_and_a_fix_takes_its_finding_away()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Surface, Picture.Of(96, 96).ToPng());
        Assert.Equal([$"image/not-power-of-two {Surface}"], await pack.FindingsAsync());
        await pack.PostAsync("fixes", Fixes(Named("image/not-power-of-two", Surface)));
        Assert.Empty(await pack.FindingsAsync());
        Assert.Equal($"Fit to 64 x 64 ({Surface})", (await pack.GetAsync("")).GetProperty("undo").GetString());
        await pack.PostAsync("undo", new { });
        Assert.Single(await pack.FindingsAsync());
    }

    [Fact]
    public async Task Several_fixes_of_one_picture_are_all_made()
    {
        var pack = await server.NewPackAsync();
        const string Shelf = "wares/water_jug/shelf.png";
        // Too large, and a pixel of its ring is not clear: two findings of one picture, each with a fix.
        await pack.PutFileAsync(Shelf, Picture.Shelf(112, 112).With(0, 0, new Pixel(9, 9, 9, 255)).ToPng());
        var found = (await pack.GetAsync("findings"))
            .GetProperty("rows")
            .EnumerateArray()
            .Where(
                f =>
                    f.GetProperty("severity").GetString() == "blocker"
                        && f.GetProperty("fix").ValueKind != System.Text.Json.JsonValueKind.Null)
            .Select(f => (object)f.GetProperty("name"))
            .ToList();
        Assert.Equal(2, found.Count);
        var before = await pack.FindingsAsync();
        var result = await pack.PostAsync("fixes", Fixes([.. found]));
        Assert.Equal(2, result.GetProperty("applied").GetInt32());
        Assert.Equal(["thing/half-changed wares/water_jug/shelf.png"], await pack.FindingsAsync());
        await pack.PostAsync("undo", new { });
        Assert.Equal(before, await pack.FindingsAsync());
    }

    [Fact]
    public async Task A_waiver_needs_a_reason_holds_for_these_bytes_and_can_be_withdrawn()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Surface, Picture.Of(96, 96).ToPng());
        var finding = Named("image/not-power-of-two", Surface);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await pack.TryPostAsync("waivers", new { findings = new[] { finding }, reason = " " })).StatusCode);
        await pack.PostAsync("waivers", new { findings = new[] { finding }, reason = "A test" });
        Assert.Equal((0, "A test"), await StateAsync(pack));
        await pack.PostAsync("waivers/withdrawals", finding);
        Assert.Equal((1, null), await StateAsync(pack));
        await pack.PostAsync("waivers", new { findings = new[] { finding }, reason = "Again" });
        await pack.PutFileAsync(Surface, Picture.Of(97, 96).ToPng());
        Assert.Equal((1, null), await StateAsync(pack));
    }

    [Fact]
    public async Task Waivers_that_cannot_be_read_are_not_overwritten()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Surface, Picture.Of(96, 96).ToPng());
        await pack.PutFileAsync(".underlay/waivers.json", "{ broken");
        var answer = await pack.TryPostAsync(
            "waivers",
            new { findings = new[] { Named("image/not-power-of-two", Surface) }, reason = "x" });
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Equal("{ broken"u8.ToArray(), await pack.FileAsync(".underlay/waivers.json"));
    }

    [Fact]
    public async Task A_fix_of_what_is_no_longer_found_changes_nothing()
    {
        var pack = await server.NewPackAsync();
        var (status, type, _) = await TestPack.ProblemAsync(await pack.TryPostAsync("fixes", Fixes(Named("image/wrong-size", Surface))));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/finding-gone"), (status, type));
    }

    [Fact]
    public async Task A_wrapped_pack_is_unwrapped_by_a_fix_that_loses_nothing()
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("moves", new { from = "firing.json", to = "outer/firing.json" });
        await pack.PutFileAsync($"outer/{Surface}", Picture.Of(64, 64).ToPng());
        var wrapped = await pack.GetAsync("findings");
        Assert.True(wrapped.GetProperty("isWrapped").GetBoolean());
        await pack.PostAsync("fixes", new { allThatLoseNothing = true });
        Assert.Empty(await pack.FindingsAsync());
        Assert.NotNull(await pack.FileAsync(Surface));
    }

    [Fact]
    public async Task The_demo_pack_is_mended_built_and_right_in_the_host()
    {
        var pack = await server.NewPackAsync();
        await pack.Http.PostAsync($"/api/packs/{pack.Id}/undo", null);
        await pack.PutAsync(new APack(Files("packs/tidepool")));
        Assert.True((await pack.FindingsAsync()).Count > 15);
        var applied = await pack.PostAsync("fixes", new { allThatLoseNothing = true });
        Assert.True(applied.GetProperty("applied").GetInt32() >= 3);
        await pack.PutAsync(new APack(Files("mended/tidepool")));
        await pack.PostAsync(
            "fixes",
            Fixes(Named("companion/outranked", "wares/reed_vase/skin.png"), Named("pack/leftover", "art/surfaces/water_pond_old.png")));
        foreach (
            var row in (await pack.GetAsync("findings"))
                .GetProperty("rows")
                .EnumerateArray()
                .Where(f => f.GetProperty("severity").GetString() == "blocker"))
            Assert.Fail($"{row}");

        var trial = await pack.EndOfAsync(await pack.PostAsync("trials", new { }));
        Assert.Equal("done", trial.GetProperty("state").GetString());
        var report = trial.GetProperty("result").GetProperty("report");
        Assert.All(report.GetProperty("shown").EnumerateArray(), s => Assert.Equal("right", s.GetProperty("as").GetString()));
        Assert.Empty(report.GetProperty("dropped").EnumerateArray());
        Assert.All(report.GetProperty("packages").EnumerateArray(), p => Assert.True(p.GetProperty("listed").GetBoolean()));
    }

    private static Dictionary<string, byte[]> Files(string folder) =>
        DemoFiles.Of(folder).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll());

    private static async Task<(int Blockers, string? Waived)> StateAsync(TestPack pack)
    {
        var view = await pack.GetAsync("findings");
        return (
            view.GetProperty("counts").GetProperty("blocker").GetInt32(),
            view.GetProperty("rows")[0].GetProperty("waived").GetString());
    }

    [Fact]
    public async Task A_fix_that_would_do_harm_is_held_back_and_said_so()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Surface, Picture.Of(64, 64).ToPng());
        // There is no ware of either name.
        await pack.PutFileAsync("wares/jar/cup/skin.png", Picture.Of(64, 64).ToPng());
        var result = await pack.PostAsync("fixes", Fixes(Named("path/near-miss", "wares/jar/cup/skin.png")));
        Assert.Equal(0, result.GetProperty("applied").GetInt32());
        var held = Assert.Single(result.GetProperty("held").EnumerateArray());
        Assert.Equal("wares/jar/cup/skin.png", held.GetProperty("path").GetString());
        Assert.Equal("ownerless", held.GetProperty("would")[0].GetProperty("dropped").GetString());
        Assert.NotNull(await pack.FileAsync("wares/jar/cup/skin.png"));
    }

    [Fact]
    public async Task Of_fixes_asked_for_together_those_that_do_no_harm_are_made_once()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Surface, Picture.Of(96, 96).ToPng());
        await pack.PutFileAsync("wares/jar/cup/skin.png", Picture.Of(64, 64).ToPng());
        var wanted = Fixes(Named("image/not-power-of-two", Surface), Named("path/near-miss", "wares/jar/cup/skin.png"));
        var key = Guid.NewGuid();
        foreach (var _ in Enumerable.Range(0, 2))
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/packs/{pack.Id}/fixes");
            request.Content = JsonContent.Create(wanted);
            request.Headers.Add("Idempotency-Key", key.ToString());
            var result = await TestPack.ReadAsync(await pack.Http.SendAsync(request));
            Assert.Equal(1, result.GetProperty("applied").GetInt32());
            var held = Assert.Single(result.GetProperty("held").EnumerateArray());
            Assert.Equal("wares/jar/cup/skin.png", held.GetProperty("path").GetString());
        }

        var log = (await pack.GetAsync("operations")).GetProperty("operations").EnumerateArray().ToList();
        Assert.Equal("Apply a fix", log[0].GetProperty("what").GetString());
        // The picture, its source and its steps.
        Assert.Equal(3, log[0].GetProperty("files").GetInt32());
        Assert.StartsWith("Write ", log[1].GetProperty("what").GetString(), StringComparison.Ordinal);
        Assert.DoesNotContain($"image/not-power-of-two {Surface}", await pack.FindingsAsync());
        Assert.NotNull(await pack.FileAsync("wares/jar/cup/skin.png"));
    }

    [Fact]
    public async Task A_fix_that_asks_takes_the_answer()
    {
        var pack = await server.NewPackAsync();
        await pack.PutAsync(
            new APack(APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64).With(9, 9, default)).Without("firing.json").Files));
        var found = (await pack.GetAsync("findings"))
            .GetProperty("rows")
            .EnumerateArray()
            .Single(f => f.GetProperty("name").GetProperty("code").GetString() == "image/alpha");
        await pack.PostAsync("fixes", new { fixes = new[] { new { finding = found.GetProperty("name"), answer = "#102030" } } });
        var picture = SourceReader.Read(await pack.FileAsync("art/surfaces/saltbrook_foam.png")).Picture!;
        Assert.Equal([0x10, 0x20, 0x30, 255], picture.At(9, 9).ToArray());
    }

    [Fact]
    public async Task All_fixes_that_lose_nothing_are_made_as_one_operation()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surface/setts_dark.png", Picture.Of(64, 64).ToPng());
        await pack.PutFileAsync("art/surfaces/setts_pale.PNG", Picture.Of(64, 64).With(1, 1, new Pixel(9, 9, 9, 255)).ToPng());
        var result = await pack.PostAsync("fixes", new { allThatLoseNothing = true });
        Assert.Equal(2, result.GetProperty("applied").GetInt32());
        Assert.NotNull(await pack.FileAsync("art/surfaces/setts_pale.png"));
        await pack.PostAsync("undo", new { });
        Assert.NotNull(await pack.FileAsync("art/surface/setts_dark.png"));
    }

    [Fact]
    public async Task Every_outcome_of_a_folded_finding_is_told_with_its_path()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("wares/tide_cup/ware.json", "{");
        await pack.PutFileAsync("wares/tide_cup/shelf.png", Picture.Shelf().ToPng());
        await pack.PutFileAsync("wares/tide_cup/skin.png", Picture.Of(64, 64).ToPng());
        var finding = (await pack.GetAsync("findings"))
            .GetProperty("rows")
            .EnumerateArray()
            .Single(f => f.GetProperty("severity").GetString() == "blocker");
        Assert.Equal(
            ["wares/tide_cup/shelf.png ownerless", "wares/tide_cup/skin.png ownerless", "wares/tide_cup/ware.json unreadable"],
            finding
                .GetProperty("outcomes")
                .EnumerateArray()
                .Select(o => $"{o.GetProperty("path").GetString()} {o.GetProperty("dropped").GetString()}")
                .Order(StringComparer.Ordinal));
    }
}
