using System.Net;
using System.Security.Cryptography;
using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packaging;
using Underlay.Testing;

namespace Underlay.Server.Tests;

public class ReleaseTests(RunningServer server)
{
    private static async Task<JsonElement> BuildAsync(TestPack pack, string version, bool allowBlockers = false) =>
        await pack.EndOfAsync(await pack.PostAsync("releases", new { version, notes = "Notes", allowBlockers }));

    [Fact]
    public async Task A_release_has_the_bytes_that_the_command_line_builds()
    {
        var pack = await server.NewPackAsync();
        var files = APack.Of().WithSurface("saltbrook_shore", Picture.Of(64, 64)).With("notes.txt", "left out");
        await pack.PutAsync(files);
        var job = await BuildAsync(pack, "1.0.0");
        Assert.Equal("done", job.GetProperty("state").GetString());
        var release = Assert.Single((await pack.GetAsync("releases")).EnumerateArray());
        var package = await pack.Http.GetByteArrayAsync($"/api/packs/{pack.Id}/releases/{release.GetProperty("id").GetGuid()}/package");
        using var expected = new MemoryStream();
        PackageBuilder.Write(Repository.Kilnmoor, PackageBuilder.Plan(Repository.Kilnmoor, files.Tree).Files, expected);
        Assert.Equal(expected.ToArray(), package);
        Assert.Equal(Convert.ToHexStringLower(SHA256.HashData(package)), release.GetProperty("sha256").GetString());
        Assert.EndsWith("-1.0.0.kilnmoor", release.GetProperty("fileName").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_version_is_written_into_the_manifest_and_taken_once()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        await BuildAsync(pack, "2.3.4");
        Assert.Equal("2.3.4", JsonText.Parse((await pack.FileAsync("firing.json"))!).FindString("/version"));
        var (status, type, _) = await TestPack.ProblemAsync(
            await pack.TryPostAsync("releases", new { version = "2.3.4", notes = "", allowBlockers = false }));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/version-taken"), (status, type));
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await pack.TryPostAsync("releases", new { version = "2.3", notes = "", allowBlockers = false })).StatusCode);
    }

    [Fact]
    public async Task Blockers_keep_a_release_from_being_built_unless_they_are_allowed()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(96, 96).ToPng());
        var (status, type, _) = await TestPack.ProblemAsync(
            await pack.TryPostAsync("releases", new { version = "1.0.0", notes = "", allowBlockers = false }));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/blockers"), (status, type));
        Assert.Equal("done", (await BuildAsync(pack, "1.0.0", allowBlockers: true)).GetProperty("state").GetString());
        Assert.Equal(1, (await pack.GetAsync("releases"))[0].GetProperty("blockers").GetInt32());
    }

    [Fact]
    public async Task A_draft_tells_what_changed_and_which_version_that_calls_for()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        await BuildAsync(pack, "1.0.0");
        Assert.Equal("1.0.1", (await pack.GetAsync("draft")).GetProperty("suggested").GetString());
        await pack.PutFileAsync("art/surfaces/setts_pale.png", Picture.Of(64, 64).ToPng());
        var draft = await pack.GetAsync("draft");
        Assert.Equal("1.1.0", draft.GetProperty("suggested").GetString());
        Assert.Equal("Newly overrides: art/surfaces/setts_pale.png.", draft.GetProperty("notes").GetString());
        await pack.PostAsync("removals", new { files = new[] { new { path = "art/surfaces/setts_dark.png" } } });
        Assert.Equal("2.0.0", (await pack.GetAsync("draft")).GetProperty("suggested").GetString());
    }

    [Fact]
    public async Task What_a_release_held_and_the_log_does_not_know_is_told_and_not_taken_for_nothing()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        await BuildAsync(pack, "1.2.0");
        await using (var database = server.OpenDatabase())
        await using (var lose = database.CreateCommand("UPDATE releases SET revision = 999 WHERE pack_id = $1"))
        {
            lose.Parameters.AddWithValue(pack.Id);
            await lose.ExecuteNonQueryAsync();
        }

        var draft = await pack.GetAsync("draft");
        Assert.True(draft.GetProperty("isSinceLost").GetBoolean());
        Assert.Empty(draft.GetProperty("changes").EnumerateArray());
        Assert.Equal(("1.2.0", "2.0.0"), (draft.GetProperty("since").GetString(), draft.GetProperty("suggested").GetString()));
        Assert.Equal("", draft.GetProperty("notes").GetString());
    }

    [Fact]
    public async Task A_release_is_not_undone()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        await BuildAsync(pack, "1.0.0");
        await pack.PostAsync("undo", new { });
        Assert.Single((await pack.GetAsync("releases")).EnumerateArray());
    }

    [Fact]
    public async Task A_cancelled_job_keeps_nothing()
    {
        var pack = await server.NewPackAsync();
        for (var i = 0; i < 30; i++) await pack.PutFileAsync($"art/surfaces/saltbrook_{i}.png", Picture.Of(128, 128).ToPng());
        // The last of many waits for its turn when it is told to end.
        var jobs = new List<JsonElement>();
        for (var i = 0; i < 12; i++)
            jobs.Add(await pack.PostAsync("releases", new { version = $"1.{i}.0", notes = "", allowBlockers = true }));
        await TestPack.ReadAsync(await pack.Http.PostAsync($"/api/jobs/{jobs[^1].GetProperty("id").GetGuid()}/cancel", null));
        Assert.Equal("cancelled", (await pack.EndOfAsync(jobs[^1])).GetProperty("state").GetString());
        foreach (var job in jobs.SkipLast(1)) Assert.Equal("done", (await pack.EndOfAsync(job)).GetProperty("state").GetString());
        Assert.DoesNotContain(
            "1.11.0",
            (await pack.GetAsync("releases")).EnumerateArray().Select(r => r.GetProperty("version").GetString()));
    }

    [Fact]
    public async Task Two_builds_at_once_each_hold_the_pack_as_it_was_when_they_were_asked_for()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        var first = await pack.PostAsync("releases", new { version = "1.1.0", notes = "", allowBlockers = false });
        await pack.PutFileAsync("art/surfaces/setts_pale.png", Picture.Of(64, 64).ToPng());
        var second = await pack.PostAsync("releases", new { version = "1.2.0", notes = "", allowBlockers = false });
        foreach (var job in new[] { first, second }) Assert.Equal("done", (await pack.EndOfAsync(job)).GetProperty("state").GetString());
        foreach (var release in (await pack.GetAsync("releases")).EnumerateArray())
        {
            var version = release.GetProperty("version").GetString();
            var package = await pack.Http.GetByteArrayAsync($"/api/packs/{pack.Id}/releases/{release.GetProperty("id").GetGuid()}/package");
            var tree = ZipReader.Read(package, ArchiveLimits.Standard).Tree!;
            Assert.Equal(version, JsonText.Parse(tree.Files.Single(f => f.Path.Value == "firing.json").ReadAll()).FindString("/version"));
            Assert.Equal(version == "1.2.0", tree.Files.Any(f => f.Path.Value == "art/surfaces/setts_pale.png"));
        }
    }
}
