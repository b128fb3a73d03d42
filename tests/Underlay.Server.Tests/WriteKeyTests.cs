using System.Net;
using System.Net.Http.Json;
using Npgsql;

namespace Underlay.Server.Tests;

public class WriteKeyTests(RunningServer server)
{
    [Fact]
    public async Task What_is_sent_twice_with_one_key_is_made_once_and_answered_twice()
    {
        var pack = await server.NewPackAsync();
        var key = Guid.NewGuid();
        var (first, second) = (
            await SendAsync(pack, HttpMethod.Put, "file?path=a.txt", key),
            await SendAsync(pack, HttpMethod.Put, "file?path=a.txt", key));
        Assert.Equal(await first.Content.ReadAsStringAsync(), await second.Content.ReadAsStringAsync());
        Assert.Equal(first.StatusCode, second.StatusCode);
        Assert.Equal(["Write a.txt", "Begin Test"], await LogAsync(pack));
        // Another key is another write.
        await pack.PostAsync("undo", new { });
        await SendAsync(pack, HttpMethod.Put, "file?path=a.txt", Guid.NewGuid());
        Assert.Equal(4, (await LogAsync(pack)).Count);
    }

    [Fact]
    public async Task An_undo_that_is_sent_twice_takes_back_one_change()
    {
        var pack = await server.NewPackAsync();
        foreach (var path in new[] { "a.txt", "b.txt" }) await pack.PutFileAsync(path, path);
        var key = Guid.NewGuid();
        foreach (var _ in Enumerable.Range(0, 3)) (await SendAsync(pack, HttpMethod.Post, "undo", key)).EnsureSuccessStatusCode();
        Assert.NotNull(await pack.FileAsync("a.txt"));
        Assert.Null(await pack.FileAsync("b.txt"));
    }

    [Fact]
    public async Task A_pack_and_a_build_that_are_asked_for_twice_are_made_once()
    {
        var http = server.CreateClient();
        var key = Guid.NewGuid();
        var ids = new HashSet<Guid>();
        foreach (var _ in Enumerable.Range(0, 2))
        {
            var body = new { title = "Twice", host = "kilnmoor", edition = "4.0", prefix = "twice", author = "Tove Salter" };
            var request = new HttpRequestMessage(HttpMethod.Post, "/api/packs") { Content = JsonContent.Create(body) };
            request.Headers.Add("Idempotency-Key", key.ToString());
            var answer = await http.SendAsync(request);
            Assert.Equal((HttpStatusCode.Created, true), (answer.StatusCode, answer.Headers.Location is not null));
            ids.Add((await TestPack.ReadAsync(answer)).GetProperty("id").GetGuid());
        }

        var pack = server.Pack(Assert.Single(ids));
        key = Guid.NewGuid();
        var build = new { version = "1.0.0", notes = "", allowBlockers = true };
        var job = await TestPack.ReadAsync(await SendAsync(pack, HttpMethod.Post, "releases", key, build));
        await pack.EndOfAsync(job);
        // The version is taken by now; asked again with the key, it is the same job.
        var again = await TestPack.ReadAsync(await SendAsync(pack, HttpMethod.Post, "releases", key, build));
        Assert.Equal(job.GetProperty("id").GetGuid(), again.GetProperty("id").GetGuid());
    }

    [Fact]
    public async Task What_is_refused_leaves_the_key_free()
    {
        var pack = await server.NewPackAsync();
        var key = Guid.NewGuid();
        var move = new { from = "a.txt", to = "b.txt" };
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(pack, HttpMethod.Post, "moves", key, move)).StatusCode);
        await pack.PutFileAsync("a.txt", "a");
        Assert.Equal(HttpStatusCode.OK, (await SendAsync(pack, HttpMethod.Post, "moves", key, move)).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await SendAsync(pack, HttpMethod.Post, "undo", null)).StatusCode);
    }

    [Fact]
    public async Task Where_the_first_answer_is_not_known_the_second_says_that_it_was_made()
    {
        var pack = await server.NewPackAsync();
        var key = Guid.NewGuid();
        await SendAsync(pack, HttpMethod.Put, "file?path=a.txt", key);
        await using (var database = server.OpenDatabase())
        await using (var forget = database.CreateCommand("UPDATE writes SET status = NULL, answer = NULL WHERE key = $1"))
        {
            forget.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = key });
            Assert.Equal(1, await forget.ExecuteNonQueryAsync());
        }

        var (status, type, _) = await TestPack.ProblemAsync(await SendAsync(pack, HttpMethod.Put, "file?path=a.txt", key));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/made-before"), (status, type));
        Assert.Equal(2, (await LogAsync(pack)).Count);
    }

    [Fact]
    public async Task Sent_at_the_same_time_with_one_key_it_is_made_once()
    {
        var pack = await server.NewPackAsync();
        var key = Guid.NewGuid();
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => SendAsync(pack, HttpMethod.Put, "file?path=a.txt", key)));
        Assert.Contains(answers, a => a.StatusCode == HttpStatusCode.OK);
        Assert.All(answers, a => Assert.True(a.StatusCode is HttpStatusCode.OK or HttpStatusCode.Conflict, $"{a.StatusCode}"));
        Assert.Single(await LogAsync(pack), "Write a.txt");
    }

    private static async Task<HttpResponseMessage> SendAsync(TestPack pack, HttpMethod method, string what, Guid? key, object? body = null)
    {
        var request = new HttpRequestMessage(method, $"/api/packs/{pack.Id}/{what}")
        {
            Content = method == HttpMethod.Put ? new ByteArrayContent("once"u8.ToArray()) : JsonContent.Create(body ?? new { }),
        };
        request.Headers.Add("Idempotency-Key", key?.ToString() ?? "no key");
        return await pack.Http.SendAsync(request);
    }

    private static async Task<List<string>> LogAsync(TestPack pack) =>
        [.. (await pack.GetAsync("operations")).GetProperty("operations").EnumerateArray().Select(o => o.GetProperty("what").GetString()!)];
}
