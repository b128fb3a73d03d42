using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Toml;
using Underlay.Core.Hosts;

namespace Underlay.Core.Tests.Formats;

/// <summary>Hostile texts: too long, too deep, or made to be costly. They are refused, in words and at once.</summary>
public class TextLimitTests
{
    private static readonly IndexShape Contents = Repository.Wrenfield.Places.Single(p => p.Content == PlaceContent.Index).Index!;

    private static byte[] Bytes(string text) => Encoding.UTF8.GetBytes(text);

    private static string Nested(string open, string close, int deep) =>
        string.Concat(Enumerable.Repeat(open, deep)) + string.Concat(Enumerable.Repeat(close, deep));

    [Fact]
    public void No_text_of_more_than_sixteen_mebibytes_is_read()
    {
        var padding = new string(' ', TextLimit.MostBytes);
        Assert.Contains("longer than 16 MiB", JsonText.Parse(Bytes("{}" + padding)).Problem!.Says, StringComparison.Ordinal);
        Assert.Contains("longer than 16 MiB", TomlText.Parse(Bytes("a = 1" + padding)).Problem!.Says, StringComparison.Ordinal);
        Assert.Contains(
            "longer than 16 MiB",
            TableFacts.Of(Bytes("code\n" + padding), new TableShape("code", null)).Problem!.Says,
            StringComparison.Ordinal);
        Assert.Contains(
            "longer than 16 MiB",
            IndexFacts.Of(Bytes("<contents/>" + padding), Contents).Problem!.Says,
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_text_of_exactly_so_much_is()
    {
        Assert.Null(JsonText.Parse(Bytes("{}" + new string(' ', TextLimit.MostBytes - 2))).Problem);
        Assert.Null(IndexFacts.Of(Bytes("<contents/>" + new string(' ', TextLimit.MostBytes - 11)), Contents).Problem);
    }

    [Theory]
    [InlineData(64, true)]
    [InlineData(65, false)]
    [InlineData(1_000_000, false)]
    public void Nesting_has_an_end(int deep, bool isRead)
    {
        Assert.Equal(isRead, JsonText.Parse(Bytes(Nested("[", "]", deep))).Problem is null);
        Assert.Equal(isRead, IndexFacts.Of(Bytes($"<contents>{Nested("<a>", "</a>", deep - 1)}</contents>"), Contents).Problem is null);
    }

    [Fact]
    public void A_million_brackets_are_no_TOML() => Assert.NotNull(TomlText.Parse(Bytes("a = " + Nested("[", "]", 1_000_000))).Problem);

    [Fact]
    public void Entities_are_never_looked_up()
    {
        Assert.Contains(
            "document type",
            IndexFacts.Of(
                Bytes("<!DOCTYPE c [<!ENTITY a SYSTEM \"file:///etc/passwd\">]><contents about=\"&a;\"/>"),
                Contents).Problem!.Says,
            StringComparison.Ordinal);
        Assert.Contains(
            "document type",
            IndexFacts.Of(
                Bytes("<!DOCTYPE c [<!ENTITY a \"aa\"><!ENTITY b \"&a;&a;&a;\">]><contents>&b;</contents>"),
                Contents).Problem!.Says,
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_column_of_quotes_is_read_in_one_go()
    {
        var rows = string.Concat(Enumerable.Range(0, 200_000).Select(i => $"\"k{i}\"\"\"\n"));
        Assert.Equal(200_000, TableFacts.Of(Bytes("code\n" + rows), new TableShape("code", null)).Rows.Count);
    }
}
