using System.Net;

namespace Underlay.Server.Tests;

/// <summary>What an entry needs, what uses it, what it has from others, and what goes when it is taken out.</summary>
public class TieTests(RunningServer server)
{
    private const string Pitcher = "wares/milk_pitcher/ware.json";

    [Fact]
    public async Task An_entry_of_the_base_tells_what_it_needs_and_what_uses_it()
    {
        var pack = await server.NewPackAsync();
        var ties = await pack.GetAsync($"entry/ties?path={Pitcher}");
        Assert.Contains(
            ties.GetProperty("needs").EnumerateArray(),
            t => t.GetProperty("kind").GetString() == "takes-over" && t.GetProperty("path").GetString() == "wares/water_jug/ware.json");
        Assert.All(ties.GetProperty("needs").EnumerateArray(), t => Assert.True(t.GetProperty("holds").GetBoolean()));
        var heir = Assert.Single(ties.GetProperty("uses").EnumerateArray(), t => t.GetProperty("kind").GetString() == "takes-over");
        Assert.Equal("wares/honey_pot/ware.json", heir.GetProperty("path").GetString());
    }

    [Fact]
    public async Task A_form_is_told_what_comes_from_where_three_entries_deep()
    {
        var pack = await server.NewPackAsync();
        var taken = (await pack.GetAsync("entry?path=wares/honey_pot/ware.json")).GetProperty("taken").EnumerateArray().ToList();
        var madeOf = Assert.Single(taken, t => t.GetProperty("pointer").GetString() == "/made_of");
        Assert.Equal(
            ("red_clay", "wares/water_jug/ware.json"),
            (madeOf.GetProperty("value").GetString(), madeOf.GetProperty("path").GetString()));
        Assert.DoesNotContain(taken, t => t.GetProperty("pointer").GetString() is "/id" or "/like" or "/stall" or "/price");
    }

    [Fact]
    public async Task An_entry_that_is_taken_out_goes_with_what_is_its_own_in_one_operation_that_can_be_undone()
    {
        var pack = await server.NewPackAsync();
        var made = await pack.PostAsync("entry/another", new { path = Pitcher, name = "saltbrook_ewer" });
        var path = made.GetProperty("path").GetString()!;
        var before = (await pack.GetAsync("entries")).GetProperty("entries").GetArrayLength();
        var plan = await pack.GetAsync($"entry/plan?path={path}&how=remove");
        Assert.True(plan.GetProperty("lines").GetArrayLength() > 3);
        await pack.PostAsync("entry/removal", new { path });
        Assert.Null(await pack.FileAsync(path));
        Assert.Null(await pack.FileAsync("wares/saltbrook_ewer/shelf.png"));
        await pack.PostAsync("undo", new { });
        Assert.NotNull(await pack.FileAsync("wares/saltbrook_ewer/shelf.png"));
        Assert.Equal(before, (await pack.GetAsync("entries")).GetProperty("entries").GetArrayLength());
    }

    [Fact]
    public async Task What_is_not_the_packs_cannot_be_taken_out()
    {
        var pack = await server.NewPackAsync();
        var (status, type, _) = await TestPack.ProblemAsync(await pack.TryPostAsync("entry/removal", new { path = Pitcher }));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/name-refused"), (status, type));
    }
}
