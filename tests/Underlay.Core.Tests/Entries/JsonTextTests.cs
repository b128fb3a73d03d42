using System.Text;
using CsCheck;
using Underlay.Core.Entries;

namespace Underlay.Core.Tests.Entries;

public class JsonTextTests
{
    private static JsonText Parse(string text) => JsonText.Parse(Encoding.UTF8.GetBytes(text));

    [Theory]
    [InlineData("", 1, 1, "empty")]
    [InlineData("{\n  \"a\": 1,\n}", 3, 1, "comma")]
    [InlineData("{ \"a\": 1 \"b\": 2 }", 1, 10, "comma or a closing bracket")]
    [InlineData("{ // x\n }", 1, 3, "comment")]
    [InlineData("{ a: 1 }", 1, 3, "double quotes")]
    [InlineData("{ \"a\": 1", 1, 9, "ends before")]
    [InlineData("{\n \"é\": 1, \"é\": 2 }", 2, 10, "twice")]
    [InlineData("{} x", 1, 4, "after the end")]
    [InlineData("{ \"a\": \"\\ud800\" }", 1, 8, "half a character")]
    public void A_problem_has_its_place_and_words(string text, int line, int column, string word)
    {
        var problem = Parse(text).Problem!;
        Assert.Contains(word, problem.Says, StringComparison.Ordinal);
        Assert.Equal(new TextPosition(line, column), problem.At);
    }

    [Fact]
    public void A_byte_order_mark_is_a_problem() =>
        Assert.Contains("byte order mark", Parse("\uFEFF{}").Problem!.Says, StringComparison.Ordinal);

    [Fact]
    public void Bytes_that_are_no_UTF8_are_a_problem_where_they_stand() =>
        Assert.Equal(new TextPosition(2, 2), JsonText.Parse([.. "{\n "u8, 0xFF, .. "}"u8]).Problem!.At);

    [Theory]
    [InlineData(64, true)]
    [InlineData(65, false)]
    [InlineData(100_000, false)]
    public void Nesting_ends_at_64(int depth, bool sound) =>
        Assert.Equal(sound, Parse(new string('[', depth) + new string(']', depth)).Problem is null);

    [Fact]
    public void Pointers_find_and_locate_values()
    {
        var text = Parse("{\n  \"reads\": { \"from\": \"3.1\",\n    \"a/b\": [10, 20] } }");
        Assert.Equal("3.1", text.FindString("/reads/from"));
        Assert.Equal(20, text.Find("/reads/a~1b/1")!.Value.GetInt32());
        Assert.Equal(new TextPosition(3, 17), text.Locate("/reads/a~1b/1"));
        Assert.Equal(new TextPosition(2, 12), text.Locate("/reads/missing"));
        Assert.Null(text.Find("/reads/from/x"));
    }

    [Fact]
    public void Any_bytes_give_a_value_or_a_problem() =>
        Gen.OneOf(Gen.Byte.Array[0, 60], Gen.String[Gen.Char["{}[]\",:\\u01d8 atrue\n"], 0, 60].Select(Encoding.UTF8.GetBytes)).Sample(bytes =>
        {
            var text = JsonText.Parse(bytes);
            Assert.True(text.Problem is null || (text.Problem.Says.Length > 0 && text.Problem.At.Line > 0 && text.Problem.At.Column > 0));
        });

    [Fact]
    public void A_string_is_set_or_added_and_all_else_stays()
    {
        string Set(string text, string pointer, string value) =>
            Encoding.UTF8.GetString(JsonEdit.Set(Parse(text), pointer, JsonEdit.Text(value)));
        Assert.Equal("{ \"a\": 1, \"b\": \"é\" }", Set("{ \"a\": 1 }", "/b", "é"));
        Assert.Equal("{\n  \"a\": 1,\n  \"b\": \"é\"\n}", Set("{\n  \"a\": 1\n}", "/b", "é"));
        Assert.Equal("{ \"b\": \"x\" }", Set("{}", "/b", "x"));
        Assert.Equal("{ \"b\": \"x\", \"c\": {\"b\": 2} }", Set("{ \"b\": [1, {}], \"c\": {\"b\": 2} }", "/b", "x"));
        Assert.Equal("{ \"b\": [1, {}], \"c\": {\"b\": \"x\"} }", Set("{ \"b\": [1, {}], \"c\": {\"b\": 2} }", "/c/b", "x"));
        Assert.Equal("{ \"c\": { \"d\": \"x\" } }", Set("{}", "/c/d", "x"));
        Assert.Throws<InvalidOperationException>(() => Set("[]", "/b", "x"));
        Assert.Throws<InvalidOperationException>(() => Set("{ \"b\": 1 }", "/b/c", "x"));
    }

    [Fact]
    public void A_set_string_is_found_again_and_other_fields_are_as_before() =>
        Gen.Select(Gen.Dictionary(Gen.String[Gen.Char["abc/~\"é"], 1, 3], Gen.String[Gen.Char["xy\\\"\n"], 0, 4])[0, 5], Gen.String[Gen.Char["abc/~\"é"], 1, 3], Gen.String).Sample((fields, name, value) =>
        {
            var before = JsonText.Parse(System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(fields));
            var after = JsonText.Parse(JsonEdit.Set(before, $"/{JsonText.Escape(name)}", JsonEdit.Text(value)));
            fields[name] = value;
            Assert.Null(after.Problem);
            Assert.Equal(
                fields.OrderBy(f => f.Key, StringComparer.Ordinal),
                after.Root
                    .EnumerateObject()
                    .Select(p => KeyValuePair.Create(p.Name, p.Value.GetString()!))
                    .OrderBy(f => f.Key, StringComparer.Ordinal));
        });
}
