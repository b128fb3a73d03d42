using System.Net;
using System.Text;
using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>The script of signals, and tables and entries that are made of none.</summary>
public class ScriptTests(RunningServer server)
{
    private const string Tower = "entries/towers/pier.json";

    private async Task<TestPack> WithTowerAsync()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(
            Tower,
            """{ "id": "saltbrook.pier", "occasions": ["market_day"], "peals": [] }""");
        return pack;
    }

    private static ByteArrayContent Bytes(byte[] bytes) => new(bytes) { Headers = { { "Content-Type", "application/octet-stream" } } };

    [Fact]
    public async Task A_take_is_one_change_that_is_undone_as_one()
    {
        var pack = await WithTowerAsync();
        var lines = (await pack.GetAsync("script")).GetProperty("lines");
        Assert.True(lines[0].GetProperty("isRequired").GetBoolean());
        Assert.Equal(JsonValueKind.Null, lines[0].GetProperty("file").ValueKind);
        var sound = lines[0].GetProperty("sound").GetString();
        using var taken = await pack.Http.PostAsync(
            $"/api/packs/{pack.Id}/script/takes?entry={Tower}&sound={sound}",
            Bytes(TestSound.Wav(44_100, 2)));
        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
        var after = (await pack.GetAsync("script"))
            .GetProperty("lines")
            .EnumerateArray()
            .First(l => l.GetProperty("sound").GetString() == sound);
        Assert.False(after.GetProperty("file").GetProperty("isOfBase").GetBoolean());
        using var undone = await pack.Http.PostAsync($"/api/packs/{pack.Id}/undo", null);
        Assert.Equal(HttpStatusCode.OK, undone.StatusCode);
        Assert.Equal(JsonValueKind.Null, (await pack.GetAsync("script")).GetProperty("lines")[0].GetProperty("file").ValueKind);
    }

    [Fact]
    public async Task A_sound_at_the_path_of_a_line_is_let_play_and_gets_a_further_take()
    {
        var pack = await WithTowerAsync();
        var line = (await pack.GetAsync("script")).GetProperty("lines")[0];
        var (sound, path) = (line.GetProperty("sound").GetString()!, line.GetProperty("path").GetString()!);
        await pack.PutFileAsync(path, TestSound.Wav());
        async Task<List<string?>> StatesAsync() =>
        [
            .. (await pack.GetAsync("script")).GetProperty("lines").EnumerateArray()
                .Where(l => l.GetProperty("sound").GetString()!.StartsWith(sound[..^1], StringComparison.Ordinal))
                .Select(l => $"{l.GetProperty("sound")} {l.GetProperty("state")}"),
        ];
        Assert.Equal([$"{sound} unplayed"], await StatesAsync());
        await pack.PostAsync("script/strokes", new { entry = Tower, sound });
        Assert.Equal([$"{sound} yours"], await StatesAsync());
        using var taken = await pack.Http.PostAsync(
            $"/api/packs/{pack.Id}/script/takes?entry={Tower}&sound={sound}&further=true",
            Bytes(TestSound.Wav(44_100, 2)));
        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
        Assert.Equal([$"{sound} yours", $"{sound[..^1]}2 yours"], await StatesAsync());
    }

    [Fact]
    public async Task A_note_is_not_kept_in_a_damaged_file_and_the_others_stay()
    {
        const string Path = ".underlay/script.csv";
        var pack = await WithTowerAsync();
        var sound = (await pack.GetAsync("script")).GetProperty("lines")[0].GetProperty("sound").GetString();
        var damaged = $"sound,speaker,notes\n{sound},Ann,soft\nbells/other,Bo,say \"oh\n";
        await pack.PutFileAsync(Path, damaged);
        Assert.Equal("Ann", (await pack.GetAsync("script")).GetProperty("lines")[0].GetProperty("speaker").GetString());
        var note = new { notes = new[] { new { sound = "bells/more", speaker = "Cy", notes = "" } } };
        var (status, type, detail) = await TestPack.ProblemAsync(await pack.TryPostAsync("script", note));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/decisions-damaged"), (status, type));
        Assert.Contains("line 3", detail, StringComparison.Ordinal);
        Assert.Equal(damaged, Encoding.UTF8.GetString((await pack.FileAsync(Path))!));
        Assert.Contains($"decision/unreadable {Path}", await pack.FindingsAsync());
    }

    [Fact]
    public async Task What_is_no_sound_and_what_is_not_in_the_script_is_refused_and_nothing_changes()
    {
        var pack = await WithTowerAsync();
        var sound = (await pack.GetAsync("script")).GetProperty("lines")[0].GetProperty("sound").GetString();
        using var picture = await pack.Http.PostAsync(
            $"/api/packs/{pack.Id}/script/takes?entry={Tower}&sound={sound}",
            Bytes(Picture.Of(4, 4).ToPng()));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, picture.StatusCode);
        using var other = await pack.Http.PostAsync(
            $"/api/packs/{pack.Id}/script/takes?entry={Tower}&sound=bells/none",
            Bytes(TestSound.Wav()));
        Assert.Equal(HttpStatusCode.Conflict, other.StatusCode);
        using var table = await pack.Http.PostAsync($"/api/packs/{pack.Id}/script/readings", Bytes("a,b\n"u8.ToArray()));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, table.StatusCode);
        Assert.Equal(JsonValueKind.Null, (await pack.GetAsync("script")).GetProperty("lines")[0].GetProperty("file").ValueKind);
    }

    [Fact]
    public async Task A_table_is_made_with_the_base_s_columns_and_shown_over_its_rows()
    {
        var pack = await server.NewPackAsync();
        using var made = await pack.Http.PostAsync(
            $"/api/packs/{pack.Id}/entry/make",
            new StringContent("""{ "place": "seal-table", "name": "" }""", Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.OK, made.StatusCode);
        var entry = await pack.GetAsync("entry?path=tables/seals.csv");
        Assert.Equal("do,code,name\n", entry.GetProperty("text").GetString());
        var table = entry.GetProperty("table");
        Assert.Equal("do", table.GetProperty("merge").GetString());
        Assert.Equal(["code", "name"], table.GetProperty("columns").EnumerateArray().Select(c => c.GetString()));
        Assert.Equal("Kiln Yard", table.GetProperty("below")[0].GetProperty("values").GetProperty("name").GetString());
        using var twice = await pack.Http.PostAsync(
            $"/api/packs/{pack.Id}/entry/make",
            new StringContent("""{ "place": "seal-table", "name": "" }""", Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.Conflict, twice.StatusCode);
    }
}
