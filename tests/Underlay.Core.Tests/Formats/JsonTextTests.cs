using System.Text;
using CsCheck;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Tests.Formats;

public class JsonTextTests
{
    private static JsonText Parse(string text) => JsonText.Parse(Encoding.UTF8.GetBytes(text));

    [Theory]
    [InlineData("", 1, 1, "empty")]
    [InlineData("{\n  \"a\": 1,\n}", 2, 9, "comma")]
    [InlineData("{ \"a\": 1 \"b\": 2 }", 1, 10, "comma or a closing bracket")]
    [InlineData("{ // x\n }", 1, 3, "comment")]
    [InlineData("{ a: 1 }", 1, 3, "double quotes")]
    [InlineData("{ \"a\": 1", 1, 9, "ends before")]
    [InlineData("{\n \"é\": 1, \"é\": 2 }", 2, 10, "twice")]
    [InlineData("{} x", 1, 4, "after the end")]
    [InlineData("{ \"a\": \"\\ud800\" }", 1, 9, "half a character")]
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
        Gen.OneOf(
            Gen.Byte.Array[0, 60],
            Gen.String[Gen.Char["{}[]\",:\\u01d8 atrue\n"], 0, 60].Select(Encoding.UTF8.GetBytes)).Sample(bytes =>
        {
            var text = JsonText.Parse(bytes);
            Assert.True(text.Problem is null || (text.Problem.Says.Length > 0 && text.Problem.At is { Line: > 0, Column: > 0 }));
        });
}
