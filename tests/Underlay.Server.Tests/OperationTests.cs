using System.Net;
using System.Text;
using CsCheck;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Server.Packs;
using Underlay.Testing;

namespace Underlay.Server.Tests;

public class OperationTests(RunningServer server)
{
    [Fact]
    public async Task Undo_and_redo_bring_back_what_was()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("a.txt", "one");
        await pack.PutFileAsync("a.txt", "two");
        await pack.PostAsync("moves", new { from = "a.txt", to = "b.txt" });

        await pack.PostAsync("undo", new { });
        Assert.Equal("two"u8.ToArray(), await pack.FileAsync("a.txt"));
        Assert.Null(await pack.FileAsync("b.txt"));
        await pack.PostAsync("undo", new { });
        Assert.Equal("one"u8.ToArray(), await pack.FileAsync("a.txt"));
        await pack.PostAsync("redo", new { });
        await pack.PostAsync("redo", new { });
        Assert.Equal("two"u8.ToArray(), await pack.FileAsync("b.txt"));
        Assert.Equal(HttpStatusCode.Conflict, (await pack.TryPostAsync("redo", new { })).StatusCode);
    }

    [Fact]
    public async Task What_changed_something_names_what_it_did_and_what_did_not_names_nothing()
    {
        var pack = await server.NewPackAsync();
        using var made = await pack.TryPutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        Assert.Equal("2", Assert.Single(made.Headers.GetValues(RevisionTag.ActHeader)));
        using var nothing = await pack.TryPostAsync("fixes", new { allThatLoseNothing = true });
        Assert.Equal(HttpStatusCode.OK, nothing.StatusCode);
        Assert.False(nothing.Headers.Contains(RevisionTag.ActHeader));
        // An act that is no longer the last is not undone by its name.
        await pack.PutFileAsync("art/surfaces/setts_pale.png", Picture.Of(64, 64).ToPng());
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await pack.TryPostAsync("undo", new { }, "2")).StatusCode);
        using var undone = await pack.TryPostAsync("undo", new { }, "3");
        Assert.Equal("4", Assert.Single(undone.Headers.GetValues(RevisionTag.ActHeader)));
    }

    [Fact]
    public async Task What_was_undone_cannot_be_redone_after_something_else_was_done()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("a.txt", "one");
        await pack.PostAsync("undo", new { });
        await pack.PutFileAsync("b.txt", "other");
        Assert.Equal(HttpStatusCode.Conflict, (await pack.TryPostAsync("redo", new { })).StatusCode);
        Assert.Null((await pack.GetAsync("")).GetProperty("redo").GetString());
    }

    [Fact]
    public Task Any_number_of_undos_and_redos_lead_through_the_states_that_were() =>
        Gen.Int[0, 3].Array[20].SampleAsync(WalkAsync, iter: 6, threads: 1);

    /// <summary>0 undoes, 1 redoes where that is possible, anything else writes.</summary>
    private async Task WalkAsync(int[] steps)
    {
        var pack = await server.NewPackAsync();
        var states = new List<string?> { null };
        var at = 0;
        foreach (var step in steps)
        {
            if (step == 0 && at > 0)
            {
                await pack.PostAsync("undo", new { });
                at--;
            }
            else if (step == 1 && at < states.Count - 1)
            {
                await pack.PostAsync("redo", new { });
                at++;
            }
            else
            {
                var text = $"state {states.Count} after {at}";
                await pack.PutFileAsync("a.txt", text);
                states.RemoveRange(at + 1, states.Count - at - 1);
                states.Add(text);
                at++;
            }

            var now = await pack.FileAsync("a.txt");
            Assert.Equal(states[at], now is null ? null : Encoding.UTF8.GetString(now));
        }
    }

    [Fact]
    public async Task A_stale_edit_of_a_file_overwrites_nothing()
    {
        var pack = await server.NewPackAsync();
        var seen = await pack.PutFileAsync("a.txt", "one");
        await pack.PutFileAsync("a.txt", "from another page");
        var (status, type, detail) = await TestPack.ProblemAsync(await pack.TryPutFileAsync("a.txt", "mine"u8.ToArray(), ifMatch: seen));
        Assert.Equal((HttpStatusCode.PreconditionFailed, "/problems/stale"), (status, type));
        Assert.Contains("a.txt", detail, StringComparison.Ordinal);
        Assert.Equal("from another page"u8.ToArray(), await pack.FileAsync("a.txt"));
    }

    [Fact]
    public async Task An_undo_that_names_an_older_revision_is_refused()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("a.txt", "one");
        var revision = (await pack.GetAsync("")).GetProperty("revision").GetInt64();
        await pack.PutFileAsync("b.txt", "from another page");
        var answer = await pack.TryPostAsync("undo", new { }, ifMatch: $"{revision}");
        Assert.Equal(HttpStatusCode.PreconditionFailed, answer.StatusCode);
        Assert.NotNull(await pack.FileAsync("b.txt"));
    }

    [Fact]
    public async Task Of_writers_at_once_each_is_in_the_log_or_told_of_a_conflict()
    {
        var pack = await server.NewPackAsync();
        var before = (await pack.GetAsync("")).GetProperty("revision").GetInt64();
        var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => pack.TryPutFileAsync($"file{i % 4}.txt", [(byte)i])));
        var made = answers.Count(a => a.IsSuccessStatusCode);
        Assert.All(answers.Where(a => !a.IsSuccessStatusCode), a => Assert.Equal(HttpStatusCode.Conflict, a.StatusCode));
        Assert.True(made >= 4);
        Assert.Equal(before + made, (await pack.GetAsync("")).GetProperty("revision").GetInt64());
    }

    [Fact]
    public async Task Of_writers_at_once_all_that_was_written_is_checked_at_each_answer()
    {
        var pack = await server.NewPackAsync();
        var odd = Picture.Of(60, 60).ToPng();
        async Task WriteAsync(int i)
        {
            var path = $"art/surfaces/saltbrook_{i}.png";
            await pack.PutFileAsync(path, odd);
            Assert.Contains($"image/not-power-of-two {path}", await pack.FindingsAsync());
        }

        await Task.WhenAll(Enumerable.Range(0, 12).Select(WriteAsync));
        Assert.Equal(12, (await pack.FindingsAsync()).Count(f => f.StartsWith("image/not-power-of-two", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task Two_files_may_not_differ_in_case_only()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("Read.txt", "one");
        var (status, type, _) = await TestPack.ProblemAsync(await pack.TryPutFileAsync("read.TXT", [1]));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/collides"), (status, type));
        Assert.Null(await pack.FileAsync("read.TXT"));
    }

    [Theory]
    [InlineData("../x")]
    [InlineData("/x")]
    [InlineData("a\\b")]
    [InlineData("C:/x")]
    [InlineData("aux.png")]
    [InlineData("")]
    public async Task An_unsafe_path_is_refused(string path)
    {
        var pack = await server.NewPackAsync();
        Assert.Equal(HttpStatusCode.BadRequest, (await pack.TryPutFileAsync(path, [1])).StatusCode);
    }

    [Fact]
    public async Task Bytes_of_any_length_come_back_as_they_were()
    {
        await using var database = server.OpenDatabase();
        var pack = await server.NewPackAsync();
        foreach (var length in new[] { 0, 1, BlobChunk.Size - 1, BlobChunk.Size, BlobChunk.Size + 1, (3 * BlobChunk.Size) + 17 })
        {
            var bytes = new byte[length];
            new Random(length).NextBytes(bytes);
            var hash = await pack.PutFileAsync("big.bin", bytes);
            Assert.Equal(ContentHash.Of(bytes).Hex, hash);
            Assert.Equal(bytes, await pack.FileAsync("big.bin"));
            var start = new byte[length / 2];
            BlobStore.Read(database, ContentHash.Parse(hash), start);
            Assert.Equal(bytes[..(length / 2)], start);
        }
    }

    [Fact]
    public async Task The_log_says_what_was_done_newest_first()
    {
        var pack = await server.NewPackAsync("Log");
        await pack.PutFileAsync("a.txt", "one");
        await pack.PostAsync("undo", new { });
        var log = (await pack.GetAsync("operations"))
            .GetProperty("operations")
            .EnumerateArray()
            .Select(o => $"{o.GetProperty("kind").GetString()} {o.GetProperty("what").GetString()}");
        Assert.Equal(["undo Write a.txt", "act Write a.txt", "act Begin Log"], log);
    }
}
