using System.Text;
using CsCheck;
using Underlay.Core.Formats.Csv;

namespace Underlay.Core.Tests.Formats;

/// <summary>Values and rows of CSV are changed; every other letter of the text stays.</summary>
public class CsvEditTests
{
    private static readonly Gen<string> Field =
        Gen.OneOfConst("", "a", "\"\"", "\"a,b\"", "\"say \"\"hi\"\"\"", "\"two\nlines\"", "ö", "1.50");

    private static readonly Gen<string> Table =
        from rows in Gen.Select(Gen.OneOfConst("k0", "k1", "\"k2\""), Field, Field).Array[0, 6]
        from end in Gen.OneOfConst("\n", "\r\n")
        from tail in Gen.OneOfConst("", "\n", "\n\n")
        select string.Join(end, rows.Select(r => $"{r.Item1},{r.Item2},{r.Item3}").Prepend("code,name,\"note\""))
            + tail.Replace("\n", end, StringComparison.Ordinal);

    [Fact]
    public void A_value_that_is_set_is_the_only_thing_that_changes() =>
        Gen.Select(Table, Gen.OneOfConst("code", "name", "note"), Field).Sample((text, column, _) =>
        {
            var csv = CsvText.Read(text)!;
            Assert.Equal(text, Edit(CsvEdit.SetColumn(csv, column, (_, value) => value)));
            var at = csv.Header.ToList().IndexOf(column);
            var last = csv.Rows[^1].Line;
            var set = CsvText.Read(Edit(CsvEdit.SetColumn(csv, column, (row, value) => row.Line == last ? "new, one" : value)))!;
            Assert.Equal(csv.Rows.Count, set.Rows.Count);
            for (var i = 0; i < csv.Rows.Count; i++)
            {
                var isSet = i > 0 && i == csv.Rows.Count - 1;
                for (var field = 0; field < 3; field++)
                {
                    if (isSet && field == at) Assert.Equal("new, one", set.Rows[i].Fields[field]);
                    else Assert.Equal(csv.Rows[i].Raw[csv.Rows[i].Spans[field]], set.Rows[i].Raw[set.Rows[i].Spans[field]]);
                }
            }
        });

    [Fact]
    public void Rows_that_go_leave_the_others_as_they_stand_and_one_that_is_added_is_read_back() =>
        Table.Sample(text =>
        {
            var csv = CsvText.Read(text)!;
            var left = CsvText.Read(Edit(CsvEdit.Remove(csv, r => r.Fields[0] == "k1")))!;
            Assert.Equal(
                csv.Rows.Where((r, i) => i == 0 || r.Fields[0] != "k1").Select(r => r.Raw.TrimEnd()),
                left.Rows.Select(r => r.Raw.TrimEnd()));
            var added = CsvText.Read(Edit(CsvEdit.Append(csv, ["k9", "a\"b", "c\nd"])))!;
            Assert.Equal(["k9", "a\"b", "c\nd"], added.Rows[^1].Fields);
            Assert.Equal(csv.Rows.Count + 1, added.Rows.Count);
        });

    [Fact]
    public void Quotes_that_do_not_match_are_told_where_they_stand()
    {
        Assert.Null(CsvText.Read("a,b\n1,2\n\"3,4\n", ',', out var stuck));
        Assert.Equal(3, stuck.Line);
    }

    private static string Edit(byte[] bytes) => Encoding.UTF8.GetString(bytes);
}
