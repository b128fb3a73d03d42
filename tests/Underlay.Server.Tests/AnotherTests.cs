using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>Another of a thing, kept apart from what the author's other packs have, and compared with what it was made like.</summary>
public class AnotherTests(RunningServer server)
{
    private const string Original = "wares/tea_cup/ware.json";

    private static Task<JsonElement> MakeAsync(TestPack pack, string name) =>
        pack.PostAsync("entry/another", new { path = Original, name, recipe = false });

    private static async Task<string> StallAsync(TestPack pack, string name) =>
        JsonDocument.Parse((await pack.FileAsync($"wares/{name}/ware.json"))!).RootElement.GetProperty("stall").GetString()!;

    [Fact]
    public async Task Two_packs_take_no_number_twice_and_a_path_of_the_other_is_told()
    {
        var (one, two) = (await server.NewPackAsync("One of two"), await server.NewPackAsync("Two of two"));
        await MakeAsync(one, "cream_jug");
        // What a page of the pack shows is what the others go by.
        await one.GetAsync("");
        var plan = await two.GetAsync($"entry/plan?path={Original}&name=cream_jug&how=another");
        var first = plan.GetProperty("lines")[0];
        Assert.Equal("wares/cream_jug/", first.GetProperty("path").GetString()![..16]);
        Assert.Contains("your pack “One of two” has this path too", first.GetProperty("says").GetString(), StringComparison.Ordinal);
        await MakeAsync(two, "curd_jug");
        Assert.NotEqual(await StallAsync(one, "cream_jug"), await StallAsync(two, "curd_jug"));
    }

    [Fact]
    public async Task A_picture_of_another_is_compared_with_the_originals()
    {
        var pack = await server.NewPackAsync();
        await MakeAsync(pack, "soup_jug");
        await pack.PutFileAsync("wares/soup_jug/shelf.png", Picture.Shelf().ToPng());
        var view = await pack.GetAsync("picture?path=wares/soup_jug/shelf.png");
        Assert.Equal("wares/tea_cup/shelf.png", view.GetProperty("like").GetProperty("path").GetString());
        Assert.False(view.GetProperty("like").GetProperty("isYours").GetBoolean());
        var differs = await pack.Http.GetAsync($"/api/packs/{pack.Id}/picture/difference?path=wares/soup_jug/shelf.png");
        Assert.True(differs.IsSuccessStatusCode);
        Assert.Equal(JsonValueKind.Null, (await pack.GetAsync("picture?path=wares/tea_cup/shelf.png")).GetProperty("like").ValueKind);
    }
}
