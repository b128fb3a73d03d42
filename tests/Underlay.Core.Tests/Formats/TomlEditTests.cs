using System.Globalization;
using System.Text;
using CsCheck;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Toml;

namespace Underlay.Core.Tests.Formats;

/// <summary>TOML is changed one value at a time.</summary>
public class TomlEditTests
{
    private static JsonText Parse(string text) => TomlText.Parse(Encoding.UTF8.GetBytes(text));

    private static string With(string text, string pointer, string value) =>
        Encoding.UTF8.GetString(TomlEdit.Set(Encoding.UTF8.GetBytes(text), pointer, Encoding.UTF8.GetBytes(value)));

    [Theory]
    [InlineData("[guide]\ntitle = \"a\"\n", "[guide]\ntitle = 7\n")]
    [InlineData("# top\n[guide]\nauthor = \"me\"\n", "# top\n[guide]\nauthor = \"me\"\ntitle = 7\n")]
    [InlineData("[guide]\nauthor = \"me\" # us\n\n[more]\n", "[guide]\nauthor = \"me\" # us\ntitle = 7\n\n[more]\n")]
    [InlineData("x = 1\n", "x = 1\n[guide]\ntitle = 7\n")]
    [InlineData("x = 1", "x = 1\n[guide]\ntitle = 7\n")]
    [InlineData("", "[guide]\ntitle = 7\n")]
    [InlineData("[other]\ntitle = 1\n[guide]\ntitle   = 3 # kept\n", "[other]\ntitle = 1\n[guide]\ntitle   = 7 # kept\n")]
    [InlineData("[guide]\r\ntitle = 1\r\nversion = 2\r\n", "[guide]\r\ntitle = 7\r\nversion = 2\r\n")]
    [InlineData("guide.title = \"\"\"\nlong\n\"\"\" # kept", "guide.title = 7 # kept")]
    [InlineData("guide.author = 'me'\n", "guide.author = 'me'\nguide.title = 7\n")]
    [InlineData("guide = { author = 'me' }\n", "guide = { author = 'me', title = 7 }\n")]
    [InlineData("guide = {}\n", "guide = { title = 7 }\n")]
    [InlineData("[[guide.part]]\na = 1\n[guide]\n\"title\" = 'é'\n", "[[guide.part]]\na = 1\n[guide]\n\"title\" = 7\n")]
    public void A_value_is_set_where_it_stands(string before, string after)
    {
        Assert.Equal(after, With(before, "/guide/title", "7"));
        Assert.Equal("7", Parse(after).Find("/guide/title")!.Value.GetRawText());
    }

    [Fact]
    public void Items_of_arrays_of_tables_have_their_own()
    {
        const string Text = "[[folio]]\nfile = 'x'\n[[folio]]\nfile = 'y'\n[folio.more]\nz = 1\n";
        Assert.Equal(Text.Replace("'y'", "\"q\"", StringComparison.Ordinal), With(Text, "/folio/1/file", "\"q\""));
        Assert.Equal(Text.Replace("z = 1", "z = 2", StringComparison.Ordinal), With(Text, "/folio/1/more/z", "2"));
    }

    [Fact]
    public void Any_text_is_written_so_that_it_is_read_back() =>
        Gen.String.Where(t => !t.Any(char.IsSurrogate)).Sample(
            t => Assert.Equal(t, Parse(With("[a]\n", "/a/b", System.Text.Json.JsonSerializer.Serialize(t))).FindString("/a/b")));

    [Fact]
    public void What_was_set_is_what_is_read_and_the_rest_is_as_it_was() =>
        Gen.Select(Gen.Int[0, 5], Gen.Int[0, 999], Gen.Bool).Sample((which, value, windows) =>
        {
            var end = windows ? "\r\n" : "\n";
            var text = string.Join(end, "# head", "[guide]", "a = 1", "b = 2 # two", "", "[more]", "a = 1003", "c = [1, 2]", "");
            var key = "abcdef"[which];
            var written = With(text, $"/guide/{key}", value.ToString(CultureInfo.InvariantCulture));
            var set = Parse(written);
            Assert.Null(set.Problem);
            Assert.Equal(value, set.Find($"/guide/{key}")!.Value.GetInt32());
            foreach (var pointer in new[] { "/guide/a", "/guide/b", "/more/a", "/more/c/1" }.Where(p => p != $"/guide/{key}"))
                Assert.Equal(Parse(text).Find(pointer)!.Value.GetRawText(), set.Find(pointer)!.Value.GetRawText());
            // All lines but the one that was set are there as they were, in their order.
            var kept = text.Split(end).Where(l => !l.StartsWith($"{key} =", StringComparison.Ordinal) || l == "a = 1003").ToList();
            Assert.Equal(kept, written.Split(end).Where(kept.Contains));
        });
}
