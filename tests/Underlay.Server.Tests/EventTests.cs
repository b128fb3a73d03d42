using System.Text.Json;

namespace Underlay.Server.Tests;

public class EventTests(RunningServer server)
{
    [Fact]
    public async Task Open_pages_are_told_of_every_change()
    {
        var pack = await server.NewPackAsync();
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        await using var stream = await server.CreateClient().GetStreamAsync("/api/events", limit.Token);
        using var reader = new StreamReader(stream);
        // The first event says that the page is listening.
        Assert.Equal("again", (await NextAsync(reader, _ => true, limit.Token)).GetProperty("kind").GetString());
        await pack.PutFileAsync("a.txt", "one");
        var revision = (await pack.GetAsync("")).GetProperty("revision").GetInt64();
        // That the pack was made may be told first: it is heard of by way of the database.
        var told = await NextAsync(
            reader,
            e => e.GetProperty("kind").GetString() == "pack"
                && e.GetProperty("pack").GetGuid() == pack.Id
                && e.GetProperty("revision").GetInt64() > 1,
            limit.Token);
        Assert.Equal(revision, told.GetProperty("revision").GetInt64());
    }

    [Fact]
    public async Task Pages_are_told_that_the_database_is_away_and_hear_of_changes_when_it_is_back()
    {
        await using var own = new RunningServer();
        var pack = await own.NewPackAsync();
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        await using var stream = await own.CreateClient().GetStreamAsync("/api/events", limit.Token);
        using var reader = new StreamReader(stream);
        Task<JsonElement> KindAsync(string kind) => NextAsync(reader, e => e.GetProperty("kind").GetString() == kind, limit.Token);
        await KindAsync("again");
        await own.BreakConnectionsAsync();
        await KindAsync("away");
        await KindAsync("again");
        await pack.PutFileAsync("a.txt", "one");
        Assert.Equal(pack.Id, (await KindAsync("pack")).GetProperty("pack").GetGuid());
    }

    private static async Task<JsonElement> NextAsync(StreamReader reader, Func<JsonElement, bool> wanted, CancellationToken cancel)
    {
        while (await reader.ReadLineAsync(cancel) is { } line)
            if (line.StartsWith("data:", StringComparison.Ordinal) && JsonElement.Parse(line[5..]) is var item && wanted(item)) return item;
        throw new EndOfStreamException("The server ended the events.");
    }
}
