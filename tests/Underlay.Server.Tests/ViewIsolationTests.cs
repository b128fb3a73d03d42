using System.Net;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>A view that fails at one file is made without it, and one pack at which we fail takes no other from the list.</summary>
public class ViewIsolationTests(RunningServer server)
{
    private const string Bad = "art/surfaces/setts_pale.png";

    [Fact]
    public async Task A_view_that_fails_at_one_file_is_made_of_the_rest_and_the_file_is_told()
    {
        var pack = await server.NewPackAsync();
        foreach (var name in new[] { "art/surfaces/setts_dark.png", Bad, "wares/tea_cup/shelf.png" })
            await pack.PutFileAsync(name, Picture.Of(64, 64).ToPng());
        var before = await pack.GetAsync("findings");
        var desk = server.Services.GetRequiredService<PackService>();
        var looks = 0;
        async ValueTask<object?> ViewAsync(EndpointFilterInvocationContext context)
        {
            looks++;
            var snapshot = await desk.GetAsync(pack.Id, default);
            return snapshot.Session.Judged.Any(f => f.Path.Value == Bad) ? throw new InvalidCastException() : snapshot.Session.Judged.Count;
        }

        Assert.Equal(3, await RunAsync(pack.Id, ViewAsync));
        Assert.InRange(looks, 4, 8);
        // What is told of the same revision is another now, and pages that have it are sent that.
        var after = await pack.GetAsync($"findings?since={before.GetProperty("revision").GetInt64()}");
        var names = after.GetProperty("rows").EnumerateArray().Select(r => r.GetProperty("name")).ToList();
        var failed = Assert.Single(names, n => n.GetProperty("code").GetString() == "judge/failed");
        Assert.Equal(Bad, failed.GetProperty("path").GetString());
        Assert.Equal(1, await RunAsync(pack.Id, _ => ValueTask.FromResult<object?>(1)));
    }

    [Fact]
    public async Task A_view_that_fails_whatever_is_left_out_fails_once_and_leaves_nothing_out()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Bad, Picture.Of(64, 64).ToPng());
        await Assert.ThrowsAsync<InvalidCastException>(async () => await RunAsync(pack.Id, _ => throw new InvalidCastException()));
        await Assert.ThrowsAsync<IOException>(async () => await RunAsync(pack.Id, _ => throw new IOException()));
        Assert.DoesNotContain(await pack.FindingsAsync(), f => f.StartsWith("judge/failed", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_pack_that_cannot_be_summed_up_is_one_row_with_its_reason()
    {
        var (lost, damaged) = (await server.NewPackAsync("Lost"), await server.NewPackAsync("Damaged"));
        var sound = await server.NewPackAsync("Sound");
        // A list keeps what it summed up, which is damaged then.
        using (await sound.Http.GetAsync("/api/packs"))
        {
        }

        await using (var database = server.OpenDatabase())
        {
            await using var move = database.CreateCommand("UPDATE packs SET host = 'nowhere', summary = NULL WHERE id = $1");
            move.Parameters.AddWithValue(lost.Id);
            await move.ExecuteNonQueryAsync();
            await using var damage = database.CreateCommand("UPDATE packs SET summary = '{\"host\": 7}' WHERE id = $1");
            damage.Parameters.AddWithValue(damaged.Id);
            await damage.ExecuteNonQueryAsync();
        }

        server.Services.GetRequiredService<PackService>().Forget(lost.Id);
        using var answer = await sound.Http.GetAsync("/api/packs");
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var rows = (await TestPack.ReadAsync(answer)).EnumerateArray().ToDictionary(r => r.GetProperty("id").GetGuid());
        Assert.Contains("nowhere", rows[lost.Id].GetProperty("problem").GetString(), StringComparison.Ordinal);
        Assert.Equal("Lost", rows[lost.Id].GetProperty("summary").GetProperty("title").GetString());
        foreach (var id in new[] { damaged.Id, sound.Id }) Assert.Null(rows[id].GetProperty("problem").GetString());
        Assert.Equal("Damaged", rows[damaged.Id].GetProperty("summary").GetProperty("title").GetString());
        await sound.Http.DeleteAsync($"/api/packs/{lost.Id}");
    }

    private async ValueTask<object?> RunAsync(Guid pack, EndpointFilterDelegate view)
    {
        var accessor = server.Services.GetRequiredService<IHttpContextAccessor>();
        var context = new DefaultHttpContext { RequestServices = server.Services };
        context.Request.Method = "GET";
        context.Request.Path = $"/api/packs/{pack}/anything";
        context.Request.RouteValues["id"] = pack.ToString();
        accessor.HttpContext = context;
        var filter = ActivatorUtilities.CreateInstance<ViewIsolation>(server.Services);
        return await filter.InvokeAsync(new DefaultEndpointFilterInvocationContext(context), view);
    }
}
