using System.Net;
using System.Text;

namespace Underlay.Server.Tests;

/// <summary>Texts over all languages.</summary>
public class TextTests(RunningServer server)
{
    private static object Cell(string key, string language, string was, string says) =>
        new { changes = new[] { new { key, language, was, says } } };

    [Fact]
    public async Task A_text_of_the_base_is_laid_over_in_one_cell()
    {
        var pack = await server.NewPackAsync();
        var list = await pack.GetAsync("texts");
        Assert.Equal(["en", "de", "fr"], list.GetProperty("languages").EnumerateArray().Select(l => l.GetString()));
        var jug = list.GetProperty("texts").EnumerateArray().Single(t => t.GetProperty("key").GetString() == "moor.water_jug/name");
        Assert.False(jug.GetProperty("isYours").GetBoolean());
        var was = jug.GetProperty("says")[1].GetString()!;
        await pack.PostAsync("texts", Cell("moor.water_jug/name", "de", was, "Wassertopf"));
        var row = Encoding.UTF8.GetString((await pack.FileAsync("texts/wares.csv"))!).Split('\n')[1];
        Assert.Equal(
            $"moor.water_jug/name,{jug.GetProperty("says")[0].GetString()},Wassertopf,{jug.GetProperty("says")[2].GetString()}",
            row);
    }

    [Fact]
    public async Task A_cell_that_another_page_changed_is_not_overwritten()
    {
        var pack = await server.NewPackAsync();
        var (status, type, detail) = await TestPack.ProblemAsync(
            await pack.TryPostAsync("texts", Cell("moor.water_jug/name", "de", "what it never said", "Topf")));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/text-changed"), (status, type));
        Assert.Contains("Nothing was changed", detail, StringComparison.Ordinal);
        Assert.Null(await pack.FileAsync("texts/wares.csv"));
    }

    [Fact]
    public async Task What_is_no_text_or_language_is_refused()
    {
        var pack = await server.NewPackAsync();
        var (status, type, _) = await TestPack.ProblemAsync(await pack.TryPostAsync("texts", Cell("nobody/name", "en", "", "x")));
        Assert.Equal((HttpStatusCode.Conflict, "/problems/text-refused"), (status, type));
    }

    [Fact]
    public async Task A_host_without_texts_has_none()
    {
        var pack = await TestPack.BeginAsync(server.CreateClient(), "Birds", "wrenfield", "2");
        Assert.Equal(0, (await pack.GetAsync("texts")).GetProperty("texts").GetArrayLength());
    }
}
