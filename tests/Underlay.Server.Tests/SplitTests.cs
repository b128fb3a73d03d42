using System.Net;
using System.Text;
using System.Text.Json;
using Underlay.Core.Formats;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>A recording of many sounds is split into files of the tray, and kept.</summary>
public class SplitTests(RunningServer server)
{
    private static readonly RecordedSession Session = RecordedSession.Make(5, 4);

    private async Task<TestPack> WithRecordingAsync()
    {
        var pack = await server.NewPackAsync();
        await pack.DropAsync(("evening.wav", FileFormats.Wav.Encode(Session.Sound)));
        return pack;
    }

    private static object Request(JsonElement view, params string[] names) => new
    {
        file = "evening.wav",
        parts = view.GetProperty("parts").EnumerateArray()
            .Where(p => p.GetProperty("kind").GetString() == "take")
            .Zip(names, (p, name) => new { from = p.GetProperty("from").GetInt32(), to = p.GetProperty("to").GetInt32(), name }),
    };

    [Fact]
    public async Task Its_parts_are_told_with_lists_of_what_may_have_been_read_out()
    {
        var pack = await WithRecordingAsync();
        var view = await pack.GetAsync("tray/parts?file=evening.wav");
        Assert.Equal(Session.Spoken.Count, view.GetProperty("parts").GetArrayLength());
        Assert.Equal(5, view.GetProperty("parts").EnumerateArray().Count(p => p.GetProperty("kind").GetString() == "take"));
        var bells = view.GetProperty("lists").EnumerateArray()
            .Single(l => l.GetProperty("title").GetString()!.StartsWith("audio/bells", StringComparison.Ordinal));
        Assert.Equal("audio/bells/high_1", bells.GetProperty("names")[0].GetString());
    }

    [Fact]
    public async Task What_entries_name_and_nobody_recorded_stands_first()
    {
        var pack = await WithRecordingAsync();
        await pack.PutFileAsync(
            "entries/towers/quay.json",
            SmallBase.Tower("saltbrook.quay").Replace("bells/one", "bells/saltbrook_gull", StringComparison.Ordinal));
        var lists = (await pack.GetAsync("tray/parts?file=evening.wav")).GetProperty("lists").EnumerateArray().ToList();
        Assert.Equal("Named by your entries, and not there yet", lists[0].GetProperty("title").GetString());
        Assert.Contains("audio/bells/saltbrook_gull", lists[0].GetProperty("names").EnumerateArray().Select(n => n.GetString()));
    }

    /// <summary>Under whole paths the tray is sure of each, and the undo brings the recording back.</summary>
    [Fact]
    public async Task The_parts_are_files_of_the_tray_and_the_recording_is_kept()
    {
        var pack = await WithRecordingAsync();
        string[] names = ["audio/bells/low_1", "audio/bells/low_2", "audio/bells/mid_1", "audio/bells/mid_2", "audio/bells/high_1"];
        var result = await pack.PostAsync("tray/parts", Request(await pack.GetAsync("tray/parts?file=evening.wav"), names));
        Assert.Equal(5, result.GetProperty("taken").GetInt32());
        var rows = (await pack.GetAsync("tray")).GetProperty("rows").EnumerateArray().ToList();
        Assert.Equal(names.Select(n => $"{n}.wav").Order(), rows.Select(r => r.GetProperty("file").GetString()!).Order());
        Assert.All(rows, r => Assert.True(r.GetProperty("isSure").GetBoolean() && r.GetProperty("isSound").GetBoolean()));
        var first = SoundReader.Read((await pack.FileAsync(".underlay/tray/audio/bells/low_1.wav"))!)!;
        var spoken = Session.Spoken.First(s => s is { Name: "take0", IsLast: true });
        Assert.InRange(first.Frames, spoken.To - spoken.From, spoken.To - spoken.From + (first.Rate / 4));
        Assert.NotNull(await pack.FileAsync(result.GetProperty("kept").GetString()!));

        await pack.PostAsync("undo", new { });
        Assert.Equal(
            "evening.wav",
            Assert.Single((await pack.GetAsync("tray")).GetProperty("rows").EnumerateArray()).GetProperty("file").GetString());
    }

    /// <summary>What a tower wants goes to its place with row and stroke, as one change; a name of nobody waits in the tray.</summary>
    [Fact]
    public async Task What_answers_a_signal_is_placed_with_its_row_and_its_stroke()
    {
        var pack = await WithRecordingAsync();
        await pack.PutFileAsync("entries/towers/pier.json", """{ "id": "saltbrook.pier", "occasions": ["market_day"], "peals": [] }""");
        var view = await pack.GetAsync("tray/parts?file=evening.wav");
        Assert.Equal("Your script, what is to be recorded", view.GetProperty("lists")[0].GetProperty("title").GetString());
        var wanted = view.GetProperty("lists")[0].GetProperty("names")[0].GetString()!;
        Assert.Equal(wanted, view.GetProperty("answers")[0].GetString());
        var takes = view.GetProperty("parts").EnumerateArray().Where(p => p.GetProperty("kind").GetString() == "take").ToList();
        object Part(int index, string name, bool isFurther = false) => new
        {
            from = takes[index].GetProperty("from").GetInt32(),
            to = takes[index].GetProperty("to").GetInt32(),
            name,
            isFurther,
        };
        object[] parts = [Part(0, wanted, isFurther: true), Part(1, wanted), Part(2, "audio/bells/saltbrook_tern")];
        var result = await pack.PostAsync("tray/parts", new { file = "evening.wav", parts, isPlaced = true });
        Assert.Equal((3, 2), (result.GetProperty("taken").GetInt32(), result.GetProperty("placed").GetInt32()));
        Assert.Equal(
            "audio/bells/saltbrook_tern.wav",
            Assert.Single((await pack.GetAsync("tray")).GetProperty("rows").EnumerateArray()).GetProperty("file").GetString());
        var second = wanted[(wanted.LastIndexOf('/') + 1)..^1] + "2";
        Assert.Contains($"/{second}\"", await TextAsync("entries/towers/pier.json"), StringComparison.Ordinal);
        Assert.Contains($"{second},", await TextAsync("audio/bells.csv"), StringComparison.Ordinal);

        await pack.PostAsync("undo", new { });
        Assert.Null(await pack.FileAsync("audio/bells.csv"));
        Assert.NotNull(await pack.FileAsync(".underlay/tray/evening.wav"));
        async Task<string> TextAsync(string path) => Encoding.UTF8.GetString((await pack.FileAsync(path))!);
    }

    [Fact]
    public async Task Each_is_as_loud_as_the_bases_where_that_is_wanted()
    {
        var pack = await WithRecordingAsync();
        var parts = (await pack.GetAsync("tray/parts?file=evening.wav")).GetProperty("parts").EnumerateArray()
            .First(p => p.GetProperty("kind").GetString() == "take");
        var (from, to) = (parts.GetProperty("from").GetInt32(), parts.GetProperty("to").GetInt32());
        await pack.PostAsync(
            "tray/parts",
            new { file = "evening.wav", parts = new[] { new { from, to, name = "audio/ambience/moor_wind" } }, isEven = true });
        var placed = new { files = new[] { new { file = "audio/ambience/moor_wind.wav", target = "audio/ambience/moor_wind.wav" } } };
        await pack.PostAsync("tray/placements", placed);
        var sound = await pack.GetAsync("sound?path=audio/ambience/moor_wind.wav");
        double Loudness(string side) => sound.GetProperty(side).GetProperty("loudness").GetDouble();
        Assert.Equal(Loudness("base"), Loudness("yours"), 0.3);
    }

    [Fact]
    public async Task Two_of_one_name_parts_outside_and_what_is_no_sound_are_refused()
    {
        var pack = await WithRecordingAsync();
        var view = await pack.GetAsync("tray/parts?file=evening.wav");
        Assert.Contains(
            "called a.wav",
            (await TestPack.ProblemAsync(await pack.TryPostAsync("tray/parts", Request(view, "a", "a")))).Detail,
            StringComparison.Ordinal);
        var outside = new { file = "evening.wav", parts = new[] { new { from = 10, to = int.MaxValue, name = "a" } } };
        Assert.Equal(HttpStatusCode.BadRequest, (await pack.TryPostAsync("tray/parts", outside)).StatusCode);
        await pack.DropAsync(("a.wav", FileFormats.Wav.Encode(TestSound.Tone())), ("broken.wav", "RIFF"u8.ToArray()));
        Assert.Equal("/problems/collides", (await TestPack.ProblemAsync(await pack.TryPostAsync("tray/parts", Request(view, "a")))).Type);
        var broken = await pack.Http.GetAsync($"/api/packs/{pack.Id}/tray/parts?file=broken.wav");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, broken.StatusCode);
    }
}
