using System.Text;
using System.Text.Json;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Toml;

namespace Underlay.Core.Tests.Formats;

/// <summary>TOML is read as the JSON that says the same.</summary>
public class TomlTextTests
{
    private static JsonText Parse(string text) => TomlText.Parse(Encoding.UTF8.GetBytes(text));

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
        Assert.InRange(read.Problem.At!.Value.Line, 1, text.Count(c => c == '\n') + 2);
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
}
