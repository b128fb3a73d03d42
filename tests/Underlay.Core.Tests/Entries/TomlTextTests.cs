using System.Text;
using System.Text.Json;
using CsCheck;
using Underlay.Core.Entries;

namespace Underlay.Core.Tests.Entries;

/// <summary>TOML is read as the JSON that says the same, and changed one value at a time.</summary>
public class TomlTextTests
{
    private static JsonText Parse(string text) => TomlText.Parse(Encoding.UTF8.GetBytes(text));

    private static string With(string text, string pointer, string value) =>
        Encoding.UTF8.GetString(TomlText.WithValue(Encoding.UTF8.GetBytes(text), pointer, value));

    [Theory]
    [InlineData("[guide]\ntitle = \"Birds\"", "/guide/title", "\"Birds\"")]
    [InlineData("[guide]\nprinting = 2", "/guide/printing", "2")]
    [InlineData("guide.title = 'Birds'", "/guide/title", "\"Birds\"")]
    [InlineData("guide = { title = \"a\\tb\" }", "/guide/title", "\"a\\tb\"")]
    [InlineData("[[folio]]\nfile = \"x\"\n[[folio]]\nfile = \"y\"", "/folio/1/file", "\"y\"")]
    [InlineData("[guide]\nfine = true\nwide = 1.5", "/guide/wide", "1.5")]
    [InlineData("[guide]\nbig = 0x1F", "/guide/big", "31")]
    [InlineData("[guide]\ntitle = \"\"\"\nlong\ntext\"\"\"", "/guide/title", "\"long\\ntext\"")]
    public void Every_form_of_a_value_is_read(string text, string pointer, string json) =>
        Assert.Equal(json, Parse(text).Find(pointer)!.Value.GetRawText());

    [Theory]
    [InlineData("[guide")]
    [InlineData("title = ")]
    [InlineData("title = \"a\"\ntitle = \"b\"")]
    [InlineData("[a]\n[a]\n")]
    [InlineData("x = 1 2")]
    public void What_is_no_TOML_is_told_with_its_line(string text)
    {
        var read = Parse(text);
        Assert.Equal("it is no TOML", read.Problem!.Says);
        Assert.InRange(read.Problem.At.Line, 1, text.Count(c => c == '\n') + 2);
    }

    [Fact]
    public void Bytes_that_are_no_UTF_8_are_told_so() =>
        Assert.Contains("UTF-8", TomlText.Parse([0x61, 0xFF, 0x62]).Problem!.Says, StringComparison.Ordinal);

    [Theory]
    [InlineData("[guide]\nsince = 2026-11-25\n", "/guide/since")]
    [InlineData("[guide]\nsince = inf\n", "/guide/since")]
    public void What_JSON_does_not_have_is_a_value_that_no_field_accepts(string text, string pointer) =>
        Assert.Equal(JsonValueKind.Object, Parse(text).Find(pointer)!.Value.ValueKind);

    [Fact]
    public void A_value_stands_on_the_line_of_its_key() =>
        Assert.Equal(4, Parse("# one\n[guide]\ntitle = \"x\"\nprinting = 2\n").Locate("/guide/printing").Line);

    [Theory]
    [InlineData("[guide]\ntitle = \"a\"\n", "[guide]\ntitle = 7\n")]
    [InlineData("# top\n[guide]\nauthor = \"me\"\n", "# top\n[guide]\ntitle = 7\nauthor = \"me\"\n")]
    [InlineData("x = 1\n", "x = 1\n\n[guide]\ntitle = 7")]
    [
        InlineData(
            "[other]\ntitle = 1\n[guide]\ntitle_long = 2\ntitle   = 3 # keep out\n",
            "[other]\ntitle = 1\n[guide]\ntitle_long = 2\ntitle = 7\n"),
    ]
    [InlineData("[guide]\r\ntitle = 1\r\nversion = 2\r\n", "[guide]\r\ntitle = 7\r\nversion = 2\r\n")]
    public void A_value_is_set_on_its_own_line(string before, string after) => Assert.Equal(after, With(before, "/guide/title", "7"));

    [Fact]
    public void What_was_set_is_what_is_read_and_the_rest_is_as_it_was() =>
        Gen.Select(Gen.Int[0, 5], Gen.Int[0, 999], Gen.Bool).Sample((which, value, windows) =>
        {
            var end = windows ? "\r\n" : "\n";
            var text = string.Join(end, "# head", "[guide]", "a = 1", "b = 2 # two", "", "[more]", "a = 3", "c = [1, 2]", "");
            var key = "abcdef"[which];
            var set = Parse(With(text, $"/guide/{key}", value.ToString(System.Globalization.CultureInfo.InvariantCulture)));
            Assert.Null(set.Problem);
            Assert.Equal(value, set.Find($"/guide/{key}")!.Value.GetInt32());
            foreach (var pointer in new[] { "/guide/a", "/guide/b", "/more/a", "/more/c/1" }.Where(p => p != $"/guide/{key}"))
                Assert.Equal(Parse(text).Find(pointer)!.Value.GetRawText(), set.Find(pointer)!.Value.GetRawText());
        });
}
