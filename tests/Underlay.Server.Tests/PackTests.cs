using System.Net;
using System.Net.Http.Json;
using System.Text;
using Underlay.Core.Formats.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

public class PackTests(RunningServer server)
{
    [Fact]
    public async Task A_first_start_shows_the_demo_packs_with_a_line_on_what_to_try()
    {
        var packs = await TestPack.ReadAsync(await server.CreateClient().GetAsync("/api/packs"));
        var demo = packs.EnumerateArray().Where(p => p.GetProperty("about").GetString() is not null).ToList();
        Assert.Equal(
            ["Tidepool Glazes", "Winter Market", "Moor Paths", "Northern Plates"],
            demo.Select(p => p.GetProperty("summary").GetProperty("title").GetString()));
        Assert.True(demo[0].GetProperty("summary").GetProperty("findings").GetProperty("blocker").GetInt32() > 10);
        Assert.Equal(0, demo[2].GetProperty("summary").GetProperty("findings").GetProperty("blocker").GetInt32());
        Assert.Equal(0, demo[1].GetProperty("summary").GetProperty("findings").GetProperty("blocker").GetInt32());
    }

    [Fact]
    public async Task A_new_pack_has_a_manifest_that_the_host_accepts_and_lacks_only_files()
    {
        var pack = await server.NewPackAsync("Größe & Glanz!");
        var view = await pack.GetAsync("");
        Assert.Equal("Größe & Glanz!", view.GetProperty("summary").GetProperty("title").GetString());
        Assert.Equal(
            "saltbrook.grosse_glanz".Replace("grosse", "gro_e", StringComparison.Ordinal),
            view.GetProperty("summary").GetProperty("packId").GetString());
        Assert.Equal(["pack/empty "], await pack.FindingsAsync());
        Assert.Equal("Begin Größe & Glanz!", view.GetProperty("undo").GetString());
    }

    [Theory]
    [InlineData("", "kilnmoor", "4.0", "salt", "title")]
    [InlineData("A", "kilnmoor", "4.0", "Salt", "prefix")]
    [InlineData("A", "kilnmoor", "4.0", "", "prefix")]
    [InlineData("A", "kilnmoor", "4.0", "moor", "own prefix")]
    [InlineData("A", "kilnmoor", "9.9", "salt", "edition")]
    [InlineData("A", "nowhere", "4.0", "salt", "host")]
    public async Task A_new_pack_that_cannot_be_is_refused_in_words(string title, string host, string edition, string prefix, string says)
    {
        var answer = await server
            .CreateClient()
            .PostAsJsonAsync("/api/packs", new { title, host, edition, prefix, author = "Tove Salter" });
        var (status, _, detail) = await TestPack.ProblemAsync(answer);
        Assert.True(status is HttpStatusCode.BadRequest or HttpStatusCode.NotFound);
        Assert.Contains(says, detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_package_is_opened_as_a_pack_and_a_folder_loses_the_folder_around_it()
    {
        var http = server.CreateClient();
        var archive = ZipParts.Write(
            new ZipPart("firing.json", APack.Manifest),
            new ZipPart("art/surfaces/x.surface.json", SmallBase.Descriptor));
        var opened = await TestPack.ReadAsync(
            await http.PostAsync("/api/packs/import?host=kilnmoor", TestPack.Upload([("mine.kilnmoor", archive)])));
        Assert.Equal("Test", opened.GetProperty("title").GetString());
        var pack = server.Pack(opened.GetProperty("id").GetGuid());
        Assert.Equal(Encoding.UTF8.GetBytes(SmallBase.Descriptor), await pack.FileAsync("art/surfaces/x.surface.json"));

        var folder = await TestPack.ReadAsync(
            await http.PostAsync(
                "/api/packs/import?host=kilnmoor",
                TestPack.Upload([("mine/firing.json", Encoding.UTF8.GetBytes(APack.Manifest))])));
        Assert.NotNull(await server.Pack(folder.GetProperty("id").GetGuid()).FileAsync("firing.json"));
    }

    [Fact]
    public async Task A_package_says_itself_for_which_host_it_is_and_only_one_that_does_not_is_asked_about()
    {
        var http = server.CreateClient();
        var guide = ZipParts.Write(new ZipPart("plates/guide.toml", "[guide]"));
        var opened = await TestPack.ReadAsync(await http.PostAsync("/api/packs/import", TestPack.Upload([("plates.zip", guide)])));
        var view = await server.Pack(opened.GetProperty("id").GetGuid()).GetAsync("");
        Assert.Equal("wrenfield", view.GetProperty("summary").GetProperty("host").GetString());

        var answer = await http.PostAsync(
            "/api/packs/import",
            TestPack.Upload([("notes.zip", ZipParts.Write(new ZipPart("notes.txt", "x")))]));
        var (status, type, _) = await TestPack.ProblemAsync(answer);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "/problems/which-host"), (status, type));
    }

    [Fact]
    public async Task A_refused_package_leaves_no_pack_behind()
    {
        var http = server.CreateClient();
        var before = (await TestPack.ReadAsync(await http.GetAsync("/api/packs")))
            .EnumerateArray()
            .Select(p => p.GetProperty("id").GetGuid())
            .ToHashSet();
        var answer = await http.PostAsync(
            "/api/packs/import?host=kilnmoor",
            TestPack.Upload([("evil-refused.kilnmoor", ZipParts.Write(new ZipPart("../x")))]));
        var (status, type, detail) = await TestPack.ProblemAsync(answer);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "/problems/archive-refused"), (status, type));
        Assert.Contains("../x", detail, StringComparison.Ordinal);
        var after = await TestPack.ReadAsync(await http.GetAsync("/api/packs"));
        Assert.DoesNotContain(
            after.EnumerateArray(),
            p =>
                !before.Contains(p.GetProperty("id").GetGuid())
                    && p.GetProperty("summary").GetProperty("title").GetString() == "evil-refused");
    }

    [Fact]
    public async Task A_pack_in_the_bin_is_out_of_reach_and_comes_back_whole()
    {
        var pack = await server.NewPackAsync("Binned");
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        Assert.Equal(HttpStatusCode.NoContent, (await pack.Http.DeleteAsync($"/api/packs/{pack.Id}")).StatusCode);
        // Twice makes no difference.
        Assert.Equal(HttpStatusCode.NoContent, (await pack.Http.DeleteAsync($"/api/packs/{pack.Id}")).StatusCode);
        var (status, type, detail) = await TestPack.ProblemAsync(await pack.TryPutFileAsync("a.txt", [1]));
        Assert.Equal((HttpStatusCode.Gone, "/problems/in-bin"), (status, type));
        Assert.Contains("can be restored", detail, StringComparison.Ordinal);
        foreach (var turn in new[] { "undo", "redo" })
            Assert.Equal(HttpStatusCode.Gone, (await pack.TryPostAsync(turn, new { })).StatusCode);
        Assert.DoesNotContain(
            (await TestPack.ReadAsync(await pack.Http.GetAsync("/api/packs"))).EnumerateArray(),
            p => p.GetProperty("id").GetGuid() == pack.Id);
        var binned = (await TestPack.ReadAsync(await pack.Http.GetAsync("/api/bin")))
            .EnumerateArray()
            .Single(p => p.GetProperty("id").GetGuid() == pack.Id);
        Assert.Equal(("Binned", 2), (binned.GetProperty("title").GetString(), binned.GetProperty("files").GetInt32()));
        Assert.Equal(30, (binned.GetProperty("goneAt").GetDateTimeOffset() - binned.GetProperty("binnedAt").GetDateTimeOffset()).TotalDays);

        await pack.Http.PostAsync($"/api/bin/{pack.Id}/restoration", null);
        Assert.NotNull(await pack.FileAsync("art/surfaces/setts_dark.png"));
        await pack.PostAsync("undo", new { });
        Assert.Null(await pack.FileAsync("art/surfaces/setts_dark.png"));
    }

    [Fact]
    public async Task The_bin_lets_go_what_was_in_it_for_thirty_days_and_nothing_else()
    {
        var (old, young, kept) = (await server.NewPackAsync("Old"), await server.NewPackAsync("Young"), await server.NewPackAsync("Kept"));
        var own = $"only in old {Guid.NewGuid()}";
        var shared = $"in both {Guid.NewGuid()}";
        var gone = await old.PutFileAsync("own.txt", own);
        foreach (var pack in new[] { old, kept }) await pack.PutFileAsync("shared.txt", shared);
        foreach (var pack in new[] { old, young }) await pack.Http.DeleteAsync($"/api/packs/{pack.Id}");
        await using (var database = server.OpenDatabase())
        await using (var age = database.CreateCommand("UPDATE packs SET binned_at = binned_at - interval '31 days' WHERE id = $1"))
        {
            age.Parameters.AddWithValue(old.Id);
            await age.ExecuteNonQueryAsync();
        }

        await server.TidyAsync();
        var left = (await TestPack.ReadAsync(await kept.Http.GetAsync("/api/bin")))
            .EnumerateArray()
            .Select(p => p.GetProperty("id").GetGuid())
            .ToList();
        Assert.DoesNotContain(old.Id, left);
        Assert.Contains(young.Id, left);
        Assert.Equal(HttpStatusCode.NotFound, (await kept.Http.GetAsync($"/api/packs/{old.Id}")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await kept.Http.GetAsync($"/api/packs/{kept.Id}")).StatusCode);

        // Bytes that nothing refers to any more went with it, and all rows that were its own.
        Assert.Equal(shared, System.Text.Encoding.UTF8.GetString((await kept.FileAsync("shared.txt"))!));
        await using var source = server.OpenDatabase();
        await using var find = source.CreateCommand("SELECT count(*) FROM blob_chunks WHERE hash = $1");
        find.Parameters.AddWithValue(gone);
        Assert.Equal(0L, await find.ExecuteScalarAsync());
        foreach (var table in new[] { "pack_files", "kept_blobs", "operations" })
        {
            await using var rows = source.CreateCommand($"SELECT pack_id FROM {table} WHERE pack_id = ANY($1) GROUP BY 1 ORDER BY 1");
            rows.Parameters.AddWithValue(new[] { old.Id, young.Id, kept.Id });
            await using var reader = await rows.ExecuteReaderAsync();
            var packs = new List<Guid>();
            while (await reader.ReadAsync()) packs.Add(reader.GetGuid(0));
            Assert.Equal(new[] { young.Id, kept.Id }.Order(), packs.Order());
        }
    }

    [Fact]
    public async Task The_section_counts_what_the_pack_covers_and_the_ledger_lists_it()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.png", Picture.Of(64, 64).ToPng());
        await pack.PutFileAsync("art/surfaces/saltbrook_shore.png", Picture.Of(64, 64).ToPng());
        var column = (await pack.GetAsync(""))
            .GetProperty("summary")
            .GetProperty("section")
            .EnumerateArray()
            .First(c => c.GetProperty("place").GetString() == "surfaces");
        Assert.Equal((1, 1), (column.GetProperty("overrides").GetInt32(), column.GetProperty("additions").GetInt32()));

        var rows = (await pack.GetAsync("ledger"))
            .GetProperty("rows")
            .EnumerateArray()
            .ToDictionary(r => r.GetProperty("path").GetString()!, r => r.GetProperty("state").GetString());
        Assert.Equal("override", rows["art/surfaces/setts_dark.png"]);
        Assert.Equal("addition", rows["art/surfaces/saltbrook_shore.png"]);
        Assert.Equal("base", rows["art/surfaces/setts_pale.png"]);
    }

    [Fact]
    public async Task The_base_is_found_by_words_of_names_contents_and_sizes()
    {
        var pack = await server.NewPackAsync();
        async Task<List<string>> Search(string words) =>
            [
                .. (
                    await TestPack.ReadAsync(
                        await pack.Http.GetAsync($"/api/hosts/kilnmoor/editions/4.0/base?words={Uri.EscapeDataString(words)}")))
                    .GetProperty("hits")
                    .EnumerateArray()
                    .Select(h => h.GetProperty("path").GetString()!),
            ];
        Assert.Contains("art/surfaces/setts_dark.png", await Search("Dark SETTS"));
        Assert.Contains("art/surfaces/reed_mat.surface.json", await Search("reed descriptor"));
        Assert.Contains("wares/water_jug/shelf.png", await Search("water 56x56"));
        Assert.Empty(await Search("nosuchword"));
    }

    [Fact]
    public async Task Bring_copies_from_the_base_with_what_has_to_keep_its_size()
    {
        var pack = await server.NewPackAsync();
        var brought = await pack.PostAsync("bring", new { paths = new[] { "wares/water_jug/skin.png" } });
        var files = brought
            .GetProperty("brought")
            .EnumerateArray()
            .ToDictionary(b => b.GetProperty("path").GetString()!, b => b.GetProperty("with").GetString());
        Assert.Equal("wares/water_jug/skin.png", files["wares/water_jug/mask.png"]);
        Assert.Null(files["wares/water_jug/skin.png"]);
        Assert.NotNull(await pack.FileAsync("wares/water_jug/mask.png"));
        var (status, type, _) = await TestPack.ProblemAsync(
            await pack.TryPostAsync("bring", new { paths = new[] { "wares/water_jug/skin.png" } }));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/nothing-to-bring"), (status, type));
    }

    private async Task<HttpResponseMessage> ImportAsync(string name, byte[] bytes, string host = "kilnmoor") =>
        await server.CreateClient().PostAsync($"/api/packs/import?host={host}", TestPack.Upload([(name, bytes)]));

    [Fact]
    public async Task A_TAR_with_wrappers_around_the_pack_is_opened_as_the_pack()
    {
        using var file = new MemoryStream();
        using (var tar = new System.Formats.Tar.TarWriter(file, leaveOpen: true))
            foreach (var (path, bytes) in APack.Of().With("art/surfaces/setts_dark.png", Picture.Of(64, 64)).Files)
                tar.WriteEntry(
                    new System.Formats.Tar.PaxTarEntry(
                        System.Formats.Tar.TarEntryType.RegularFile,
                        $"downloads/tide (2)/{path}")
                    { DataStream = new MemoryStream(bytes) });
        var made = await TestPack.ReadAsync(await ImportAsync("tide.tar", file.ToArray()));
        var pack = server.Pack(made.GetProperty("id").GetGuid());
        Assert.Empty(await pack.FindingsAsync());
        Assert.NotNull(await pack.FileAsync("art/surfaces/setts_dark.png"));
    }

    [Theory]
    [InlineData("377ABCAF271C0004", "7z")]
    [InlineData("526172211A0700CF", "RAR")]
    public async Task An_archive_that_is_not_opened_is_named_and_no_pack_is_made(string begins, string name)
    {
        var (status, type, detail) = await TestPack.ProblemAsync(
            await ImportAsync("tide.kilnmoor", [.. Convert.FromHexString(begins), .. new byte[600]]));
        Assert.Equal((System.Net.HttpStatusCode.UnprocessableEntity, "/problems/archive-refused"), (status, type));
        Assert.Contains($"a {name} archive", detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_ZIP_whose_lengths_lie_is_refused_and_not_a_failure_of_the_server()
    {
        var (status, type, _) = await TestPack.ProblemAsync(
            await ImportAsync("tide.kilnmoor", Underlay.Testing.Fuzzing.ArchiveIntakes.Zip64(long.MaxValue)));
        Assert.Equal((System.Net.HttpStatusCode.UnprocessableEntity, "/problems/archive-refused"), (status, type));
    }

    [Fact]
    public async Task Two_packs_of_one_title_and_author_get_ids_of_their_own()
    {
        var ids = new List<string?>();
        for (var i = 0; i < 2; i++)
        {
            var pack = await server.NewPackAsync("Reed Works");
            ids.Add(JsonText.Parse((await pack.FileAsync("firing.json"))!).FindString("/id"));
        }

        Assert.Equal(2, ids.Distinct().Count());
    }

    [Fact]
    public async Task A_copy_of_the_base_s_file_is_no_override()
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("bring", new { paths = new[] { "art/surfaces/setts_dark.png" } });
        var column = (await pack.GetAsync(""))
            .GetProperty("summary")
            .GetProperty("section")
            .EnumerateArray()
            .Single(c => c.GetProperty("place").GetString() == "surfaces");
        Assert.Equal((0, 1), (column.GetProperty("overrides").GetInt32(), column.GetProperty("copies").GetInt32()));
    }
}
