using System.Text.Json;

namespace Underlay.Server.Tests;

/// <summary>What is made of what, and what the pack changes in it.</summary>
public class EconomyTests(RunningServer server)
{
    private static JsonElement Good(JsonElement economy, string key) =>
        economy.GetProperty("goods").EnumerateArray().Single(g => g.GetProperty("key").GetString() == key);

    private static double Price(JsonElement good, string when) => good.GetProperty(when).GetProperty("price").GetDouble();

    [Fact]
    public async Task The_bases_wares_cost_what_goes_into_them_and_an_empty_pack_changes_nothing()
    {
        var pack = await server.NewPackAsync();
        var economy = await pack.GetAsync("economy");
        // A kilnful of six: 7.5 of red clay at 0.3, 6 of ash at 0.8, 4 of oak at 1.5.
        Assert.Equal(((7.5 * 0.3) + (6 * 0.8) + (4 * 1.5)) / 6, Price(Good(economy, "wares:moor.water_jug"), "after"), 1e-9);
        foreach (var good in economy.GetProperty("goods").EnumerateArray())
            Assert.Equal(good.GetProperty("before").GetRawText(), good.GetProperty("after").GetRawText());
    }

    [Fact]
    public async Task A_recipe_of_the_pack_makes_what_it_makes_cheaper_and_all_that_is_made_of_it()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(
            "entries/recipes/saltbrook_dig.json",
            """
            { "id": "saltbrook.dig", "station": "clay_pit", "uses": [{ "material": "earth", "amount": 1 }],
              "makes": [{ "material": "red_clay", "amount": 4 }], "minutes": 10 }
            """);
        var economy = await pack.GetAsync("economy");
        var clay = Good(economy, "materials:red_clay");
        Assert.Equal((0.3, 0.05), (Price(clay, "before"), Price(clay, "after")), EqualityComparer<(double, double)>.Create(IsNear));
        Assert.Equal("entries/recipes/saltbrook_dig.json", clay.GetProperty("after").GetProperty("way").GetString());
        var jug = Good(economy, "wares:moor.water_jug");
        Assert.True(Price(jug, "after") < Price(jug, "before"));
    }

    [Fact]
    public async Task A_host_without_recipes_has_no_economy()
    {
        var pack = await TestPack.BeginAsync(server.CreateClient(), "Birds", "wrenfield", "2");
        Assert.Equal(0, (await pack.GetAsync("economy")).GetProperty("goods").GetArrayLength());
    }

    private static bool IsNear((double, double) one, (double, double) other) =>
        Math.Abs(one.Item1 - other.Item1) < 1e-9 && Math.Abs(one.Item2 - other.Item2) < 1e-9;
}
