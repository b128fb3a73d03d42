using System.Text;
using CsCheck;
using Underlay.Core.BaseFiles;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Tables and entries are put right without changing what they say.</summary>
public class TextFixTests
{
    private static string Text(FileTree tree, string path) => Encoding.UTF8.GetString(tree.Find(PackPath.Parse(path))!.ReadAll());

    private static APack Table(string text) =>
        APack.Of().With("art/seals/saltbrook_tide.png", Picture.Of(60, 44).WithClearRing()).With("tables/seals.csv", text);

    [Theory]
    [InlineData("code;do;name\nsaltbrook_tide;add;Tide\n", "semicolons for commas")]
    [InlineData("code\tdo\tname\r\nsaltbrook_tide\tadd\tTide\r\n", "tabs for commas")]
    [InlineData("\uFEFFcode,do,name\nsaltbrook_tide,add,Tide\n", "a byte order mark at its start")]
    [InlineData("\uFEFFcode;do;name\nsaltbrook_tide;add;Tide\n", "semicolons for commas")]
    public void What_a_spreadsheet_saved_is_put_right_by_a_fix_that_loses_nothing(string text, string says)
    {
        var fix = Table(text).Findings().First(f => f.Path == "tables/seals.csv" && f.Fix is not null).Fix!;
        Assert.Contains(says, fix.Title, StringComparison.Ordinal);
        Assert.True(fix.LosesNothing);
        var outcome = Run(Table(text));
        Assert.StartsWith("code,do,name", Text(outcome.Tree, "tables/seals.csv"), StringComparison.Ordinal);
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Severity == Severity.Blocker);
    }

    [Fact]
    public void Values_stay_the_same_whatever_the_separator() =>
        Gen.Select(Gen.String[Gen.Char["ab,;\t\" é"], 0, 8].Array[2, 2].List[1, 5], Gen.OneOfConst(';', '\t')).Sample((rows, separator) =>
        {
            string Quote(string value) =>
                value.AsSpan().IndexOfAny([separator, '"', ' ', ',']) >= 0
                    ? $"\"{value.Replace("\"", "\"\"", StringComparison.Ordinal)}\""
                    : value;
            var text = $"code{separator}name\n"
                + string.Concat(
                    rows.Select(
                        (r, i) => $"k{i}{Quote(r[0])}{separator}{Quote(r[1])}\n".Replace($"k{i}\"", $"\"k{i}", StringComparison.Ordinal)));
            var (bytes, _) = CsvEdit.PutRight(Encoding.UTF8.GetBytes(text), "code")!.Value;
            var facts = CsvText.Read(Encoding.UTF8.GetString(bytes))!;
            Assert.Equal(rows.Select((r, i) => (string[])[$"k{i}{r[0]}", r[1]]), facts.Rows.Skip(1).Select(r => r.Fields.ToArray()));
        });

    [Fact]
    public void An_empty_last_line_is_no_row() =>
        Assert.Equal(
            ["clay_mark", "tide"],
            TableFacts.Of("code,do\nclay_mark,change\ntide,add\n\n\n"u8.ToArray(), new TableShape("code", "do")).Rows.Select(r => r.Key));

    [Fact]
    public void A_table_that_leaves_out_rows_of_the_base_is_one_finding_and_becomes_one_of_changes()
    {
        var pack = APack.Of()
            .With("art/seals/saltbrook_tide.png", Picture.Of(60, 44).WithClearRing())
            .With("tables/seals.csv", "code,name\nsaltbrook_tide,Tide\n");
        var finding = Assert.Single(pack.Findings(), f => f.Severity == Severity.Blocker);
        Assert.Equal("name/not-listed", finding.Code.Value);
        Assert.Contains("table of changes", finding.Fix!.Title, StringComparison.Ordinal);
        var outcome = Run(pack, "name/not-listed");
        Assert.Equal("code,do,name\nsaltbrook_tide,add,Tide\n", Text(outcome.Tree, "tables/seals.csv"));
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Severity == Severity.Blocker);
    }

    [Fact]
    public void A_row_without_a_file_is_told_and_one_with_an_empty_text_too()
    {
        Assert.Equal("table/no-file", APack.Of().With("tables/seals.csv", "code,do,name\nsaltbrook_tide,add,Tide\n").Finding().Code.Value);
        Assert.Equal(
            "table/empty-value",
            Table("code,do,name\nsaltbrook_tide,add,\n").Findings().Single(f => f.Path == "tables/seals.csv").Code.Value);
    }

    [Fact]
    public void A_row_that_is_added_has_a_text_in_every_column()
    {
        var outcome = Run(APack.Of().With("art/seals/saltbrook_low_tide.png", Picture.Of(60, 44).WithClearRing()));
        Assert.Equal("code,do,name\nsaltbrook_low_tide,add,Low tide\n", Text(outcome.Tree, "tables/seals.csv").ReplaceLineEndings("\n"));
        Assert.DoesNotContain(outcome.Report.Findings, f => f.Code.Value == "table/empty-value");
    }

    [Theory]
    [
        InlineData(
            "{ \"id\": \"moor.milk_jug\", \"shape\": \"jug\", \"made_of\": \"clay\", \"Price\": 4, \"stall\": \"001\" }",
            "/Price",
            "price"),
    ]
    [InlineData("{ \"id\": \"moor.milk_jug\", \"shape\": \"jug\", \"madeof\": \"clay\", \"price\": 4, \"stall\": \"001\" }", "", "made_of")]
    [
        InlineData(
            "{ \"id\": \"moor.milk_jug\", \"shape\": \"jug\", \"made_of\": \"clay\", \"price\": 4, \"stal\": \"001\" }",
            "/stal",
            "stall"),
    ]
    public void A_field_that_is_nearly_one_that_the_host_reads_is_told_and_renamed(string entry, string pointer, string name)
    {
        var pack = APack.Of().With("wares/milk_jug/ware.json", entry);
        var finding = pack.Findings().Single(f => f.Fix is RenameField);
        if (finding.Code.Value == "entry/near-field") Assert.Contains($"“{name}” is near", finding.Message, StringComparison.Ordinal);
        var renamed = Run(pack, finding.Code.Value);
        Assert.Contains($"\"{name}\":", Text(renamed.Tree, "wares/milk_jug/ware.json"), StringComparison.Ordinal);
        Assert.DoesNotContain(renamed.Report.Findings, f => f.Path == "wares/milk_jug/ware.json" && f.Pointer == pointer);
    }
}
