namespace Underlay.Server.Tests;

public class EntryTests(RunningServer server)
{
    private const string Path = "art/surfaces/setts_dark.surface.json";

    [Fact]
    public async Task An_entry_comes_with_its_schema_what_fields_may_name_and_the_bases_entries()
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("bring", new { paths = new[] { Path } });
        var entry = await pack.GetAsync($"entry?path={Path}");
        Assert.Equal("Surface", entry.GetProperty("kindTitle").GetString());
        Assert.Contains("edge", entry.GetProperty("schema").GetProperty("required").EnumerateArray().Select(r => r.GetString()));
        Assert.Contains(
            "stone",
            entry.GetProperty("choices").GetProperty("/made_of").EnumerateArray().Select(c => c.GetProperty("value").GetString()));
        Assert.Contains(
            "setts_pale",
            entry.GetProperty("choices").GetProperty("/under/surface").EnumerateArray().Select(c => c.GetProperty("value").GetString()));
        Assert.True(entry.GetProperty("siblings").GetArrayLength() > 20);
        var kinds = (await pack.GetAsync("entries")).GetProperty("entries").EnumerateArray().Select(e => e.GetProperty("kind").GetString());
        Assert.Equal(["manifest", "surface"], kinds);
    }

    [Theory]
    [InlineData("""{ "made_of": "stone", "edge": "solid" }""", "")]
    [InlineData("""{ "made_of": "cheese", "edge": "solid" }""", "/made_of")]
    [InlineData("""{ "made_of": "stone", "edge": "solid", "rough": 7 }""", "/rough")]
    [InlineData("""{ "made_of": "stone", "edge": "solid", "under": { "surface": "nowhere", "share": 0.3 } }""", "/under/surface")]
    public async Task A_text_is_judged_as_it_is_typed(string text, string pointer)
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("bring", new { paths = new[] { Path } });
        var faults = (await pack.PostAsync("entry/judgements", new { path = Path, text }))
            .GetProperty("faults")
            .EnumerateArray()
            .Select(f => f.GetProperty("pointer").GetString())
            .ToList();
        Assert.Equal(pointer.Length == 0 ? [] : [pointer], faults);
    }

    [Fact]
    public async Task A_text_that_is_no_json_is_told_where()
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("bring", new { paths = new[] { Path } });
        var judged = await pack.PostAsync("entry/judgements", new { path = Path, text = "{\n  \"edge\": \n}" });
        Assert.False(judged.GetProperty("isReadable").GetBoolean());
        Assert.Equal(3, judged.GetProperty("faults")[0].GetProperty("line").GetInt32());
    }
}
