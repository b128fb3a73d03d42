using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>What Shape draws of sounds: the whole and parts, of the base's and the pack's.</summary>
public class SoundTests(RunningServer server)
{
    private const string Wind = "audio/ambience/moor_wind.wav";

    private static List<float> Numbers(JsonElement outline, string side) =>
        [.. outline.GetProperty(side).EnumerateArray().Select(v => v.GetSingle())];

    private static string Part(int from, int to, bool isOfBase = false) =>
        $"sound/outline?path={Wind}&isOfBase={(isOfBase ? "true" : "false")}&from={from}&to={to}";

    [Fact]
    public async Task A_part_is_drawn_as_finely_as_its_samples_are()
    {
        var pack = await server.NewPackAsync();
        // Silence, then a tone.
        await pack.PutFileAsync(Wind, TestSound.Wav(seconds: 2, lead: 1));
        var view = (await pack.GetAsync($"sound?path={Wind}")).GetProperty("yours");
        Assert.Equal(1200, Numbers(view.GetProperty("outline"), "highs").Count);
        Assert.Equal(30, view.GetProperty("levels").GetArrayLength());
        Assert.Equal(-70, view.GetProperty("levels")[3].GetDouble());

        var part = await pack.GetAsync(Part(40_000, 40_500));
        Assert.Equal(500, Numbers(part, "lows").Count);
        Assert.Equal(Numbers(part, "lows"), Numbers(part, "highs"));
        Assert.InRange(Numbers(part, "highs").Max(), 0.25f, 0.31f);
        var silence = await pack.GetAsync(Part(0, 30_000));
        Assert.All(Numbers(silence, "highs"), v => Assert.Equal(0, v));
        Assert.Contains(Numbers(await pack.GetAsync(Part(0, 30_000, isOfBase: true)), "highs"), v => v > 0);
    }

    /// <summary>A loop that an editor wrote is offered until the table has it.</summary>
    [Fact]
    public async Task A_loop_of_the_file_itself_is_offered_until_it_is_taken()
    {
        var pack = await server.NewPackAsync();
        var chunk = new byte[8 + 36 + 24];
        "smpl"u8.CopyTo(chunk);
        chunk[4] = 60;
        chunk[8 + 28] = 1;
        // Frames 16 to 4111 of 8,000.
        (chunk[8 + 36 + 8], chunk[8 + 36 + 12], chunk[8 + 36 + 13]) = (16, 15, 16);
        await pack.PutFileAsync(Wind, [.. TestSound.Wav(), .. chunk]);
        var own = (await pack.GetAsync($"sound?path={Wind}")).GetProperty("ownLoop");
        Assert.Equal((16, 4112), (own.GetProperty("from").GetInt32(), own.GetProperty("to").GetInt32()));
        using var set = await pack.Http.PutAsJsonAsync(
            $"/api/packs/{pack.Id}/sound/loop",
            new { path = Wind, from = 16, to = 4112, isExact = true });
        Assert.Equal(HttpStatusCode.OK, set.StatusCode);
        var after = await pack.GetAsync($"sound?path={Wind}");
        Assert.Equal((16, JsonValueKind.Null), (after.GetProperty("loopFrom").GetInt32(), after.GetProperty("ownLoop").ValueKind));
    }

    [Theory]
    [InlineData(5, 5, HttpStatusCode.BadRequest)]
    [InlineData(-1, 5, HttpStatusCode.BadRequest)]
    [InlineData(0, int.MaxValue, HttpStatusCode.BadRequest)]
    [InlineData(0, 5, HttpStatusCode.NotFound)]
    public async Task A_part_beside_the_sound_is_refused(int from, int to, HttpStatusCode status)
    {
        var pack = await server.NewPackAsync();
        if (status == HttpStatusCode.BadRequest) await pack.PutFileAsync(Wind, TestSound.Wav());
        using var answer = await pack.Http.GetAsync($"/api/packs/{pack.Id}/{Part(from, to)}");
        Assert.Equal(status, answer.StatusCode);
    }
}
