using System.Text;
using CsCheck;
using Underlay.Core.Texts;

namespace Underlay.Core.Tests.Texts;

/// <summary>Texts seen and changed over all languages, out for translators and in again.</summary>
public class TextSheetTests
{
    private const string Table = "texts/pack.csv";

    private static readonly APack Cup = APack.Of()
        .WithWare("tide_cup")
        .With(Table, "key,en,de,fr\nsaltbrook.tide_cup/name,Tide cup,,\"Tasse, bleue\"\nsaltbrook.gone/name,Gone,Weg,\n");

    private static TextSheet Sheet(APack pack) => TextSheet.Of(pack.Check().Overlay!)!;

    private static TextLine Line(APack pack, string key) => Sheet(pack).Lines.Single(l => l.Key == key);

    private static APack After(APack pack, params TextChange[] changes)
    {
        var (edits, problem) = TextChange.Edits(Sheet(pack), changes);
        Assert.Null(problem);
        return new APack(pack.Tree.With(edits).Files.ToDictionary(f => f.Path.Value, f => f.ReadAll()));
    }

    [Fact]
    public void A_sheet_has_what_is_there_what_is_wanted_and_what_nothing_wants()
    {
        var sheet = Sheet(Cup);
        Assert.Equal(("en", 3), (sheet.Fallback, sheet.Languages.Count));
        Assert.Equal(("Tide cup", ""), (Line(Cup, "saltbrook.tide_cup/name").In("en"), Line(Cup, "saltbrook.tide_cup/name").In("de")));
        Assert.Null(Line(Cup, "saltbrook.tide_cup/about").Layer);
        Assert.Equal("wares/tide_cup/ware.json", Line(Cup, "saltbrook.tide_cup/about").Owner!.Path.Value);
        Assert.Null(Line(Cup, "saltbrook.gone/name").Owner);
        Assert.True(Line(Cup, "moor.milk_jug/name").Layer!.Value.IsBase);
    }

    [Fact]
    public void A_cell_is_changed_and_every_other_letter_stays()
    {
        var after = After(Cup, new TextChange("saltbrook.tide_cup/name", "de", "Gezeiten\"tasse\""));
        Assert.Equal(
            "key,en,de,fr\nsaltbrook.tide_cup/name,Tide cup,\"Gezeiten\"\"tasse\"\"\",\"Tasse, bleue\"\nsaltbrook.gone/name,Gone,Weg,\n",
            Encoding.UTF8.GetString(after.Files[Table]));
    }

    [Fact]
    public void A_text_of_the_base_is_taken_over_in_all_languages_when_one_is_changed()
    {
        var before = Line(Cup, "moor.milk_jug/name");
        var after = Line(After(Cup, new TextChange("moor.milk_jug/name", "de", "Rahmkrug")), "moor.milk_jug/name");
        Assert.False(after.Layer!.Value.IsBase);
        Assert.Equal((before.In("en"), "Rahmkrug", before.In("fr")), (after.In("en"), after.In("de"), after.In("fr")));
    }

    [Fact]
    public void A_pack_without_a_table_gets_the_one_that_the_profile_names()
    {
        var pack = APack.Of().WithWare("tide_cup").Without(Table);
        var after = After(
            pack,
            new TextChange("saltbrook.tide_cup/name", "en", "Tide cup"),
            new TextChange("saltbrook.tide_cup/about", "en", "Salt in it"));
        Assert.Equal(
            "key,en,de,fr\nsaltbrook.tide_cup/name,Tide cup,,\nsaltbrook.tide_cup/about,Salt in it,,\n",
            Encoding.UTF8.GetString(after.Files["texts/wares.csv"]));
        Assert.DoesNotContain(after.Faults(), f => f.Blocks);
    }

    [Theory]
    [InlineData("nobody/name", "en", "nobody/name")]
    [InlineData("saltbrook.tide_cup/name", "it", "it")]
    public void What_is_not_known_is_not_written(string key, string language, string says) =>
        Assert.Contains(says, TextChange.Edits(Sheet(Cup), [new TextChange(key, language, "x")]).Problem, StringComparison.Ordinal);

    [Fact]
    public void What_goes_out_comes_in_again_as_it_was() =>
        Gen.String[Gen.Char[" \",;\n\tab\u00e4\u4e2d"], 0, 8].Array[3].Sample(
            cells =>
            {
                var pack = After(
                    Cup,
                    [.. cells.Select((c, i) => new TextChange("saltbrook.tide_cup/name", Sheet(Cup).Languages[i], c.Trim()))]);
                var sheet = Sheet(pack);
                Assert.Equal(cells.Select(c => c.Trim()), sheet.Languages.Select(l => Line(pack, "saltbrook.tide_cup/name").In(l)));
                var read = TextExchange.Read(sheet, TextExchange.Write(sheet, sheet.Lines));
                return read is { Problem: null, Changes.Count: 0, Passed.Count: 0 };
            },
            iter: 60);

    [Theory]
    [InlineData("key;en;de\r\nsaltbrook.tide_cup/name;Tide cup;Tasse\r\n", "utf-8")]
    [InlineData("Key\tDE\nsaltbrook.tide_cup/name\tTasse\n", "utf-16")]
    [InlineData("\uFEFFkey,remark,de\nsaltbrook.tide_cup/name,shorter?,Tasse\n", "utf-8")]
    public void A_table_from_a_spreadsheet_is_understood(string text, string encoding)
    {
        var bytes = encoding == "utf-16"
            ? [.. Encoding.Unicode.Preamble, .. Encoding.Unicode.GetBytes(text)]
            : Encoding.UTF8.GetBytes(text);
        var read = TextExchange.Read(Sheet(Cup), bytes);
        Assert.Equal([new TextChange("saltbrook.tide_cup/name", "de", "Tasse")], read.Changes);
        Assert.Equal(text.Contains("remark", StringComparison.Ordinal) ? 1 : 0, read.Passed.Count);
    }

    [Fact]
    public void What_a_table_says_beyond_what_is_known_is_told_and_empty_cells_empty_nothing()
    {
        var read = TextExchange.Read(Sheet(Cup), "key,fr\nsaltbrook.tide_cap/name,Tasse\nsaltbrook.tide_cup/name,\n"u8.ToArray());
        Assert.Empty(read.Changes);
        Assert.Equal(
            "Line 2: there is no text “saltbrook.tide_cap/name”; “saltbrook.tide_cup/name” is near.",
            Assert.Single(read.Passed));
        Assert.NotNull(TextExchange.Read(Sheet(Cup), [0x89, 0x50, 0x4E, 0x47]).Problem);
    }

    [Fact]
    public void A_text_that_still_says_what_its_original_does_is_told_until_it_is_changed()
    {
        var name = Line(Cup, "moor.milk_jug/name").In("en");
        var alike = After(Cup, new TextChange("saltbrook.tide_cup/name", "en", name));
        var found = Assert.Single(alike.Findings(), f => f.Code.Value == "text/as-original");
        Assert.Contains("still says “Old”, as “moor.", found.Message, StringComparison.Ordinal);
        Assert.DoesNotContain(Cup.Findings(), f => f.Code.Value == "text/as-original");
    }

    [Fact]
    public void A_text_that_was_changed_in_one_language_is_told_of_the_others()
    {
        var original = Line(Cup, "moor.milk_jug/name");
        var alike = After(
            Cup,
            new TextChange("saltbrook.tide_cup/name", "de", original.In("de")),
            new TextChange("saltbrook.tide_cup/name", "fr", original.In("fr")));
        var found = Assert.Single(alike.Findings(), f => f.Code.Value == "text/as-original");
        Assert.Contains($"still says “{original.In("de")}” in de and fr, as “moor.", found.Message, StringComparison.Ordinal);
        Assert.Equal(["de", "fr"], Line(alike, "saltbrook.tide_cup/name").Originals.Keys);
    }
}
