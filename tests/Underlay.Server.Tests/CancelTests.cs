using System.Net.Http.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>A request that its sender gives up changes all that it was to change, or nothing.</summary>
public class CancelTests(RunningServer server)
{
    private static readonly string[] Names = ["clay_raked", "sand_dry", "setts_dark", "setts_pale", "water_pond"];

    [Fact]
    public async Task Whenever_fixes_are_cancelled_all_or_none_are_made()
    {
        var pack = await server.NewPackAsync("Cancelled");
        foreach (var name in Names) await pack.PutFileAsync($"art/surface/{name}.png", Picture.Of(64, 64).ToPng());
        var cancelled = 0;
        for (var round = 0; round < 24; round++)
        {
            using var stopper = new CancellationTokenSource();
            var asked = pack.Http.PostAsync(
                new Uri($"/api/packs/{pack.Id}/fixes", UriKind.Relative),
                JsonContent.Create(new { allThatLoseNothing = true }),
                stopper.Token);
            // At once, and later from round to round.
            stopper.CancelAfter(TimeSpan.FromMilliseconds(round * 3));
            try
            {
                (await asked).EnsureSuccessStatusCode();
            }
            catch (OperationCanceledException)
            {
                cancelled++;
            }

            var moved = await MovedAsync(pack);
            Assert.True(moved == 0 || moved == Names.Length, $"Round {round}: {moved} of {Names.Length} were moved.");
            if (moved > 0) await pack.PostAsync("undo", new { });
        }

        Assert.NotEqual(0, cancelled);
        // What is asked for then is made as if nothing had been.
        await pack.PostAsync("fixes", new { allThatLoseNothing = true });
        Assert.Equal(Names.Length, await MovedAsync(pack));
    }

    /// <summary>How many lie where the fixes move them; each lies in one of both places.</summary>
    private static async Task<int> MovedAsync(TestPack pack)
    {
        var paths = (await pack.GetAsync("ledger"))
            .GetProperty("rows")
            .EnumerateArray()
            .Where(r => r.GetProperty("state").GetString() is not "base")
            .Select(r => r.GetProperty("path").GetString()!)
            .ToHashSet();
        var moved = Names.Count(n => paths.Contains($"art/surfaces/{n}.png"));
        Assert.Equal(Names.Length - moved, Names.Count(n => paths.Contains($"art/surface/{n}.png")));
        return moved;
    }
}
