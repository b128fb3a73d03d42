using System.Text;
using Npgsql;

namespace Underlay.Server.Tests;

/// <summary>The log's one reference to bytes keeps all that a pack has, had, and can have again.</summary>
public class KeptBytesTests(RunningServer server)
{
    private static readonly string[] Paths = ["a.txt", "b.txt", "deep/a.txt", "deep/b.txt"];

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public async Task Whatever_was_done_nothing_that_can_come_back_is_let_go(int seed)
    {
        var random = new Random(seed);
        var pack = await server.NewPackAsync();
        var texts = Enumerable.Range(0, 6).Select(i => $"{seed} {i} {Guid.NewGuid()}").ToList();
        string Path() => Paths[random.Next(Paths.Length)];
        for (var act = 0; act < 60; act++)
        {
            // Some of these find nothing to do, and are refused.
            using var answer = random.Next(6) switch
            {
                0 or 1 => await pack.TryPutFileAsync(Path(), Encoding.UTF8.GetBytes(texts[random.Next(texts.Count)])),
                2 => await pack.TryPostAsync("moves", new { from = Path(), to = Path() }),
                3 => await pack.Http.DeleteAsync($"/api/packs/{pack.Id}/file?path={Path()}"),
                4 => await pack.TryPostAsync("undo", new { }),
                _ => await pack.TryPostAsync("redo", new { }),
            };
            Assert.True((int)answer.StatusCode < 500);
        }

        await server.TidyAsync();
        Assert.Empty(await UnkeptAsync(pack.Id));
        while ((await pack.TryPostAsync("undo", new { })).IsSuccessStatusCode) await AllAreReadAsync(pack);
        while ((await pack.TryPostAsync("redo", new { })).IsSuccessStatusCode) await AllAreReadAsync(pack);
    }

    [Fact]
    public async Task The_database_itself_keeps_bytes_that_a_log_refers_to()
    {
        var pack = await server.NewPackAsync();
        var hash = await pack.PutFileAsync("a.txt", $"kept {Guid.NewGuid()}");
        await pack.PostAsync("undo", new { });
        await using var database = server.OpenDatabase();
        await using var delete = database.CreateCommand("DELETE FROM blobs WHERE hash = $1");
        delete.Parameters.AddWithValue(hash);
        var refused = await Assert.ThrowsAsync<PostgresException>(() => delete.ExecuteNonQueryAsync());
        Assert.Equal(PostgresErrorCodes.ForeignKeyViolation, refused.SqlState);
    }

    /// <summary>Bytes that a pack has, or that its log speaks of, which are not kept for it.</summary>
    private async Task<List<string>> UnkeptAsync(Guid pack)
    {
        await using var database = server.OpenDatabase();
        await using var find = database.CreateCommand(
            """
            WITH rows AS (SELECT r.* FROM operation_rows r JOIN operations o ON o.id = r.operation_id WHERE o.pack_id = $1)
            SELECT hash FROM pack_files WHERE pack_id = $1 UNION SELECT hash_before FROM rows WHERE hash_before IS NOT NULL
            UNION SELECT hash_after FROM rows WHERE hash_after IS NOT NULL EXCEPT SELECT hash FROM kept_blobs WHERE pack_id = $1
            """);
        find.Parameters.AddWithValue(pack);
        await using var reader = await find.ExecuteReaderAsync();
        var unkept = new List<string>();
        while (await reader.ReadAsync()) unkept.Add(reader.GetString(0));
        return unkept;
    }

    private static async Task AllAreReadAsync(TestPack pack)
    {
        foreach (var row in (await pack.GetAsync("ledger")).GetProperty("rows").EnumerateArray())
            if (row.GetProperty("path").GetString() is { } path && Paths.Contains(path)) Assert.NotNull(await pack.FileAsync(path));
    }
}
