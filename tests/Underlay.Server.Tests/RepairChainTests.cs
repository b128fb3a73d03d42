using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>A fix that holds only with others is held back with their words, and made with them when that is asked for.</summary>
public class RepairChainTests(RunningServer server)
{
    [Fact]
    public async Task What_holds_only_together_is_said_and_made_as_one_change()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/awning/hill/noon.png", Picture.Of(300, 140).ToPng());
        var finding = (await pack.GetAsync("findings")).GetProperty("rows").EnumerateArray()
            .Select(r => r.GetProperty("name"))
            .Single(n => n.GetProperty("code").GetString() == "path/near-miss");
        var held = (await FixAsync(pack, finding, chain: false)).GetProperty("held").EnumerateArray().Single();
        Assert.Equal(
            "Rename to art/awnings/hill/noon.png",
            held.GetProperty("chain").EnumerateArray().First().GetString());
        var result = await FixAsync(pack, finding, chain: true);
        Assert.Equal(
            (held.GetProperty("chain").GetArrayLength(), 0),
            (result.GetProperty("applied").GetInt32(), result.GetProperty("held").GetArrayLength()));
        Assert.Equal(0, (await pack.GetAsync("findings")).GetProperty("counts").GetProperty("blocker").GetInt32());
    }

    private static Task<JsonElement> FixAsync(TestPack pack, JsonElement finding, bool chain) =>
        pack.PostAsync("fixes", new { fixes = new[] { new { finding } }, chain });
}
