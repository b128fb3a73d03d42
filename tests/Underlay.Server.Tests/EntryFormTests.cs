using System.Net;
using System.Text;
using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>What the form of an entry is given beside its schema: parameters, marks for later, drawings, and fields of others.</summary>
public class EntryFormTests(RunningServer server)
{
    private const string Glaze = "entries/glazes/ebb.json";
    private const string Cup = "wares/tea_cup/ware.json";

    private static string Text(int from) =>
        $$"""
        { "id": "saltbrook.ebb", "body": "#123456", "rim": "#654321",
          "reactions": [{ "from_c": {{from}}, "to_c": 1200, "air": "any", "gives": { "type": "drip", "length_mm": 9 } }] }
        """;

    private static object Marks(string path, bool isLater, params (string Pointer, object? Value)[] marks) =>
        new { path, isLater, marks = marks.Select(m => new { pointer = m.Pointer, value = m.Value }) };

    private static List<string?> Later(JsonElement entry) => [.. entry.GetProperty("later").EnumerateArray().Select(l => l.GetString())];

    [Fact]
    public async Task A_glaze_comes_with_the_parameters_of_each_reaction()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Glaze, Text(900));
        var parameters = (await pack.GetAsync($"entry?path={Glaze}")).GetProperty("parameters")[0];
        Assert.Equal("/reactions/*/gives", parameters.GetProperty("field").GetString());
        Assert.Equal("type", parameters.GetProperty("by").GetString());
        Assert.Equal(12, parameters.GetProperty("types").EnumerateObject().Count());
        var length = parameters.GetProperty("types").GetProperty("drip")[0];
        Assert.Equal(("length_mm", "mm"), (length.GetProperty("name").GetString(), length.GetProperty("unit").GetString()));
        Assert.Equal((1, 40), (length.GetProperty("least").GetInt32(), length.GetProperty("most").GetInt32()));
    }

    [Fact]
    public async Task A_value_is_marked_for_later_until_it_is_set_and_an_entry_until_the_author_says()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Glaze, Text(900));
        await pack.PostAsync("entry/later", Marks(Glaze, true, ("/reactions/0/from_c", 900), ("", null)));
        Assert.Equal(["", "/reactions/0/from_c"], Later(await pack.GetAsync($"entry?path={Glaze}")).Order(StringComparer.Ordinal));
        Assert.Equal(2, (await pack.FindingsAsync()).Count(f => f.StartsWith("pack/placeholder", StringComparison.Ordinal)));

        await pack.PutFileAsync(Glaze, Text(950));
        Assert.Equal([""], Later(await pack.GetAsync($"entry?path={Glaze}")));
        await pack.PostAsync("entry/later", Marks(Glaze, false, ("", null)));
        Assert.Empty(Later(await pack.GetAsync($"entry?path={Glaze}")));
        // One change, taken back as one.
        await pack.PostAsync("undo", new { });
        Assert.Equal([""], Later(await pack.GetAsync($"entry?path={Glaze}")));
        var refused = await pack.TryPostAsync("entry/later", Marks("entries/glazes/none.json", true));
        var (status, type, _) = await TestPack.ProblemAsync(refused);
        Assert.Equal((HttpStatusCode.NotFound, "/problems/no-file"), (status, type));
    }

    [Fact]
    public async Task Fields_of_another_ware_come_with_the_pictures_that_they_want()
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("entry/another", new { path = Cup, name = "ebb_cup" });
        const string Path = "wares/ebb_cup/ware.json";
        object Take(params string[] pointers) => new { path = Path, from = "wares/salt_crock/ware.json", pointers };
        var taken = await pack.PostAsync("entry/copied-fields", Take("/ember", "/price"));
        Assert.Equal("art/embers/wares/ebb_cup.png", Assert.Single(taken.GetProperty("files").EnumerateArray()).GetString());
        Assert.NotNull(await pack.FileAsync("art/embers/wares/ebb_cup.png"));
        Assert.Contains("\"ember\"", Encoding.UTF8.GetString((await pack.FileAsync(Path))!), StringComparison.Ordinal);
        var (status, _, detail) = await TestPack.ProblemAsync(await pack.TryPostAsync("entry/copied-fields", Take("/id")));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.EndsWith("Nothing was changed.", detail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_ware_is_drawn_to_scale_with_the_outlines_of_all_shapes_and_a_recipe_is_a_sentence()
    {
        var pack = await server.NewPackAsync();
        var scale = (await pack.GetAsync($"entry?path={Cup}")).GetProperty("sketch").GetProperty("scale");
        Assert.Equal("/height_cm", scale.GetProperty("height").GetString());
        Assert.Equal(12, scale.GetProperty("outlines").EnumerateObject().Count());
        var recipe = (await pack.GetAsync("entry?path=entries/recipes/tea_cup.json")).GetProperty("sketch").GetProperty("recipe");
        Assert.Equal(["/ware", "/material"], recipe.GetProperty("goods").EnumerateArray().Select(g => g.GetString()));
    }

    [Fact]
    public async Task A_front_picture_is_chosen_from_what_stands_in_no_place()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("cover.png", Picture.Of(320, 200).ToPng());
        await pack.PutFileAsync("art/surfaces/saltbrook_foam.png", Picture.Of(64, 64).ToPng());
        var choices = (await pack.GetAsync("entry?path=firing.json")).GetProperty("choices").GetProperty("/front");
        Assert.Equal(["cover.png"], choices.EnumerateArray().Select(c => c.GetProperty("value").GetString()));
    }

    [Fact]
    public async Task The_forms_of_a_sound_are_listed_with_their_sizes()
    {
        var pack = await server.NewPackAsync();
        const string Wind = "audio/ambience/moor_wind.wav";
        await pack.PutFileAsync(Wind, TestSound.Wav(48_000, 2));
        var forms = (await pack.GetAsync($"sound/forms?path={Wind}")).EnumerateArray().ToList();
        Assert.Equal(4, forms.Count);
        Assert.True(forms[0].GetProperty("isNow").GetBoolean());
        Assert.Equal("rate", forms[^1].GetProperty("steps")[1].GetProperty("do").GetString());
        var sizes = forms.ConvertAll(f => f.GetProperty("bytes").GetInt64());
        Assert.Equal(sizes.OrderDescending(), sizes);
    }
}
