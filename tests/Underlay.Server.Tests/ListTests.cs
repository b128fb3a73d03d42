using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>Lists since a revision: what a page is sent after a change makes, with what it has, the list that the server has.</summary>
public class ListTests(RunningServer server)
{
    [Theory]
    [InlineData("ledger")]
    [InlineData("findings")]
    [InlineData("tray")]
    public async Task What_is_sent_after_each_change_makes_the_whole_list(string list)
    {
        var pack = await server.NewPackAsync();
        var rows = Rows(await pack.GetAsync(list));
        var revision = await RevisionAsync(pack);
        foreach (var change in Changes(pack))
        {
            await change();
            var answer = await pack.GetAsync($"{list}?since={revision}");
            Assert.Equal(revision, answer.GetProperty("since").GetInt64());
            rows = Merge(list, rows, answer);
            revision = answer.GetProperty("revision").GetInt64();
            var whole = await pack.GetAsync(list);
            Assert.Equal(JsonValueKind.Null, whole.GetProperty("since").ValueKind);
            Assert.Equal(Rows(whole), rows);
            Assert.Equal(rows.Count, answer.GetProperty("total").GetInt32());
        }
    }

    [Fact]
    public async Task Of_a_change_only_what_it_touches_is_sent()
    {
        var pack = await server.NewPackAsync();
        await pack.PutAsync(APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)));
        var before = await pack.GetAsync("ledger");
        await pack.PutFileAsync("art/surfaces/saltbrook_foam.png", Picture.Of(32, 32).ToPng());
        var answer = await pack.GetAsync($"ledger?since={before.GetProperty("revision").GetInt64()}");
        Assert.Equal(
            "art/surfaces/saltbrook_foam.png",
            Assert.Single(answer.GetProperty("rows").EnumerateArray()).GetProperty("path").GetString());
        Assert.Empty(answer.GetProperty("gone").EnumerateArray());
        Assert.True(before.GetProperty("rows").GetArrayLength() > 200);
    }

    [Fact]
    public async Task A_revision_that_is_not_remembered_is_answered_with_all()
    {
        var pack = await server.NewPackAsync();
        var answer = await pack.GetAsync("ledger?since=987654");
        Assert.Equal(JsonValueKind.Null, answer.GetProperty("since").ValueKind);
        Assert.Equal(answer.GetProperty("total").GetInt32(), answer.GetProperty("rows").GetArrayLength());
    }

    private static IEnumerable<Func<Task>> Changes(TestPack pack) =>
    [
        () => pack.PutFileAsync("art/surfaces/saltbrook_foam.png", Picture.Of(64, 64).ToPng()),
        () => pack.PutFileAsync("art/surfaces/saltbrook_foam.surface.json", SmallBase.Descriptor),
        () => pack.DropAsync(("seal.png", Picture.Of(44, 44).ToPng()), ("jug/shelf.png", Picture.Shelf().ToPng())),
        () => pack.PutFileAsync("art/surfaces/saltbrook_foam.png", Picture.Of(60, 64).ToPng()),
        () => pack.DropAsync(("another.png", Picture.Of(20, 20).ToPng())),
        () => pack.PostAsync("undo", new { }),
        () => pack.PutFileAsync("notes.txt", "for me"),
        () => pack.PostAsync("removals", new { files = new[] { new { path = "art/surfaces/saltbrook_foam.surface.json" } } }),
    ];

    private static async Task<long> RevisionAsync(TestPack pack) => (await pack.GetAsync("ledger")).GetProperty("revision").GetInt64();

    private static List<string> Rows(JsonElement answer) => [.. answer.GetProperty("rows").EnumerateArray().Select(r => r.GetRawText())];

    private static string KeyOf(string list, JsonElement row)
    {
        if (list != "findings") return row.GetProperty("path").GetString()!;
        var name = row.GetProperty("name");
        return string.Join('\n', new[] { "code", "path", "pointer", "discriminator" }.Select(p => name.GetProperty(p).GetString()));
    }

    /// <summary>As a page does it: what is gone or another goes, then each row comes to its place.</summary>
    private static List<string> Merge(string list, List<string> known, JsonElement answer)
    {
        var gone = answer.GetProperty("gone").EnumerateArray().Select(g => g.GetString()!)
            .Concat(answer.GetProperty("rows").EnumerateArray().Select(r => KeyOf(list, r)))
            .ToHashSet();
        var rows = known.Where(r => !gone.Contains(KeyOf(list, JsonDocument.Parse(r).RootElement))).ToList();
        foreach (var (row, at) in answer.GetProperty("rows").EnumerateArray().Zip(answer.GetProperty("at").EnumerateArray()))
            rows.Insert(at.GetInt32(), row.GetRawText());
        return rows;
    }
}
