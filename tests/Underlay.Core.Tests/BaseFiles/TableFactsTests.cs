using System.Text;
using CsCheck;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;

namespace Underlay.Core.Tests.BaseFiles;

public class TableFactsTests
{
    private static readonly TableShape Seals = new("code", "do");

    private static TableFacts Read(string text) => TableFacts.Of(Encoding.UTF8.GetBytes(text), Seals);

    private static string Quote(string value) => $"\"{value.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";

    private static readonly Gen<string> AnyValue = Gen.String[Gen.OneOfConst('a', 'b', ',', '"', '\n', 'é', ' '), 0, 6];

    [Fact]
    public void What_is_written_by_the_standard_is_read_back_whatever_is_in_it() =>
        AnyValue.Array[3].List[1, 6].Sample(rows =>
        {
            var text = new StringBuilder("code,do,name\n");
            var number = 0;
            foreach (var row in rows)
                text.Append(System.Globalization.CultureInfo.InvariantCulture, $"k{number++},add,{Quote(row[2])}\r\n");
            var table = Read(text.ToString());
            Assert.Null(table.Problem);
            Assert.Empty(table.Faults);
            Assert.Equal(rows.Select(r => r[2]), table.Rows.Select(r => r.Values[2]));
        });

    [Fact]
    public void Any_text_is_read_or_refused_and_never_crashes() =>
        Gen.String[Gen.OneOfConst('a', 'd', 'o', ',', '"', '\n', '\r'), 0, 40].Sample(text =>
        {
            var table = Read("code,do\n" + text);
            Assert.True(table.Problem is not null || table.Rows.All(r => r.Key.Length > 0));
        });

    [Theory]
    [InlineData("code,do\n\"a,add\n")]
    [InlineData("code,do\na\"b,add\n")]
    [InlineData("code,do\n\"a\"b,add\n")]
    [InlineData("\uFEFFcode,do\na,add\n")]
    public void What_another_reader_would_guess_at_is_refused(string text) => Assert.NotNull(Read(text).Problem);

    [Theory]
    [InlineData("", "header row")]
    [InlineData("name,do\na,add\n", "the column “code” is missing")]
    [InlineData("code,code\na,b\n", "stands twice")]
    [InlineData("code,do\na\n", "line 2 has 1 values")]
    [InlineData("code,do\n,add\n", "line 2 has no code")]
    [InlineData("code,do\na,keep\n", "“do” is “keep” in line 2")]
    [InlineData("code,do\n\"two\nlines\",add\nb,keep\n", "in line 4")]
    public void What_the_host_does_not_accept_is_told_with_its_line(string text, string says) =>
        Assert.Contains(says, Assert.Single(Read(text).Faults).Says, StringComparison.Ordinal);

    [Fact]
    public void Rows_add_change_and_remove_and_a_table_without_deeds_replaces()
    {
        string[] below = ["a", "b", "c"];
        Assert.Equal(["b", "c", "d"], Read("code,do\na,remove\nd,add\nb,change\n").KeysOver(below).Order());
        Assert.Equal(["x"], Read("code,name\nx,X\n").KeysOver(below));
        Assert.Equal(below, Read("code,do\n").KeysOver(below).Order());
    }
}
