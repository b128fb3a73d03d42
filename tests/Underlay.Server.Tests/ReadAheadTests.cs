using System.Text;
using Microsoft.EntityFrameworkCore;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Data.Operations;

namespace Underlay.Server.Tests;

/// <summary>Files that are read one after the other come from the database many at a time.</summary>
public sealed class ReadAheadTests : IAsyncLifetime
{
    private OwnDatabase database = null!;

    public async ValueTask InitializeAsync() => database = await OwnDatabase.MakeAsync();

    public ValueTask DisposeAsync() => database.DisposeAsync();

    [Fact]
    public async Task What_is_expected_comes_with_the_first_and_is_let_go_of_in_the_end()
    {
        var files = await KeepAsync(20);
        using (ReadAhead.Of(files))
        {
            Assert.Equal(TextOf(0), Read(files[0]));
            await ForgetBytesAsync();
            foreach (var i in Enumerable.Range(1, 18)) Assert.Equal(TextOf(i), Read(files[i]));
            // Read whole, it is let go of; its head alone can be read as often as one likes.
            Assert.Throws<EndOfStreamException>(() => Read(files[1]));
            Assert.Equal(TextOf(19)[..4], Encoding.UTF8.GetString(files[19].ReadStart(4)));
            Assert.Equal(TextOf(19)[..4], Encoding.UTF8.GetString(files[19].ReadStart(4)));
        }

        Assert.Throws<EndOfStreamException>(() => Read(files[19]));
    }

    [Fact]
    public async Task Many_more_than_are_fetched_at_once_are_read_in_any_order_and_by_many_threads()
    {
        var files = await KeepAsync(500);
        // Files of one blob are each read.
        var wanted = files.Concat(files.Take(50).Select(f => f with { Path = PackPath.Parse($"again/{f.Path}") })).ToList();
        using var ahead = ReadAhead.Of(wanted);
        Parallel.For(0, wanted.Count, i => Assert.Equal(TextOf(i % 500), Read(wanted[i])));
        foreach (var i in Enumerable.Range(0, 500).Reverse()) Assert.Equal(TextOf(i), Read(files[i]));
    }

    [Fact]
    public async Task What_was_there_before_the_connection_broke_is_read_again_afterwards()
    {
        var files = await KeepAsync(5);
        using var ahead = ReadAhead.Of(files);
        await database.BreakConnectionsAsync();
        // What waits in the pool is broken; whether the first try meets it or not, nothing else is read.
        foreach (var (file, i) in files.Select((f, i) => (f, i)))
        {
            try
            {
                Assert.Equal(TextOf(i), Read(file));
            }
            catch (Npgsql.NpgsqlException)
            {
                Assert.Equal(TextOf(i), Read(file));
            }
        }
    }

    private static string TextOf(int number) => $"what file {number} says";

    private static string Read(TreeFile file) => Encoding.UTF8.GetString(file.ReadAll());

    private async Task<List<TreeFile>> KeepAsync(int count)
    {
        List<TreeEdit> edits =
        [
            .. Enumerable.Range(0, count)
                .Select(i => new TreeEdit.Write(PackPath.Parse($"notes/{i:000}.txt"), Encoding.UTF8.GetBytes(TextOf(i)))),
        ];
        var plan = EditPlan.Of(FileTree.Empty, edits);
        var outcome = await new OperationLog(database.Source, TimeProvider.System)
            .ApplyAsync(database.Pack, plan, "Begin", "test", null, null, default);
        Assert.IsType<EditOutcome.Applied>(outcome);
        return [.. plan.Rows.Select(r => BlobContent.File(database.Source, r.Path, r.After!.Value, r.Length))];
    }

    private async Task ForgetBytesAsync()
    {
        await using var own = database.CreateDbContext();
        await own.Database.ExecuteSqlAsync($"DELETE FROM blob_chunks");
    }
}
