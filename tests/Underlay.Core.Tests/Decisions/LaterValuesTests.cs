using System.Globalization;
using System.Text;
using CsCheck;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Tests.Decisions;

/// <summary>The author's "later" on values of entries, and on entries as a whole.</summary>
public class LaterValuesTests
{
    private static readonly PackPath Path = PackPath.Parse("entries/glazes/celadon.json");

    private static string Row(int from, int to) =>
        $$"""{ "from_c": {{from}}, "to_c": {{to}}, "air": "any", "gives": { "type": "drip" } }""";

    private static string Glaze(params string[] rows) =>
        $$"""{ "id": "moor.celadon", "body": "#9ec2b4", "rim": "#2f6e63", "reactions": [{{string.Join(", ", rows)}}] }""";

    private static APack Marked(string glaze, params LaterValue[] values)
    {
        var pack = APack.Of().With(Path.Value, glaze);
        return values.Length == 0 ? pack : pack.With(LaterValues.File.Path.Value, Written(pack.Tree, values));
    }

    private static string Written(FileTree tree, params LaterValue[] values) =>
        Encoding.UTF8.GetString(Assert.IsType<TreeEdit.Write>(Assert.Single(LaterValues.Mark(tree, values).Edits)).Bytes.Span);

    private static IReadOnlyList<Finding> Told(APack pack) => [.. pack.Findings().Where(f => f.Code.Value == "pack/placeholder")];

    [Fact]
    public void A_marked_value_is_told_where_it_stands_until_it_is_set()
    {
        var mark = new LaterValue(Path, "/reactions/0/from_c", "900");
        var finding = Assert.Single(Told(Marked(Glaze(Row(900, 1100)), mark)));
        Assert.Equal((Path.Value, "/reactions/0/from_c", Severity.Note), (finding.Path, finding.Pointer, finding.Severity));
        Assert.StartsWith(
            "“from_c” of number 1 of “reactions” is marked to be set later",
            finding.Message,
            StringComparison.Ordinal);
        Assert.Empty(Told(Marked(Glaze(Row(910, 1100)), mark)));
    }

    [Fact]
    public void An_entry_as_a_whole_is_told_until_the_author_says_that_it_is_done()
    {
        var pack = Marked(Glaze(), new LaterValue(Path, "", null));
        Assert.Equal("It is marked to be finished later.", Assert.Single(Told(pack)).Message);
        Assert.Single(Told(pack.With(Path.Value, Glaze(Row(900, 1100)))));
        var done = pack.Tree.With(LaterValues.Unmark(pack.Tree, Path, JsonText.Parse(Encoding.UTF8.GetBytes(Glaze())), [""]).Edits);
        Assert.Null(done.Find(LaterValues.File.Path));
    }

    [Fact]
    public void A_mark_goes_with_its_row_and_not_where_two_rows_have_the_value()
    {
        var mark = new LaterValue(Path, "/reactions/1/from_c", "950");
        var moved = Marked(Glaze(Row(950, 1100), Row(900, 1000)), mark);
        Assert.Equal("/reactions/0/from_c", Assert.Single(Told(moved)).Pointer);
        Assert.Empty(Told(Marked(Glaze(Row(950, 1100), Row(900, 1000), Row(950, 1200)), mark)));
        var text = JsonText.Parse(moved.Tree.Find(Path)!.ReadAll());
        Assert.Null(moved.Tree.With(LaterValues.Unmark(moved.Tree, Path, text, ["/reactions/0/from_c"]).Edits).Find(LaterValues.File.Path));
    }

    [Fact]
    public void A_value_of_several_in_a_row_that_is_set_does_not_mark_another_row_that_has_it()
    {
        LaterValue[] marks = [new(Path, "/reactions/1/from_c", "900"), new(Path, "/reactions/1/to_c", "1200")];
        var told = Told(Marked(Glaze(Row(900, 1100), Row(910, 1200)), marks));
        Assert.Equal(["/reactions/1/to_c"], told.Select(f => f.Pointer));
        // The row that they mark is still to come.
        Assert.Empty(Told(Marked(Glaze(Row(900, 1100)), marks)));
        // It was moved, and the row that took its place shares a value with it.
        told = Told(Marked(Glaze(Row(900, 1200), Row(700, 1200)), marks));
        Assert.Equal(["/reactions/0/from_c", "/reactions/0/to_c"], told.Select(f => f.Pointer).Order(StringComparer.Ordinal));
        // Another row is marked alike: it keeps its own.
        LaterValue[] twice = [.. marks, new(Path, "/reactions/0/from_c", "900"), new(Path, "/reactions/0/to_c", "1200")];
        told = Told(Marked(Glaze(Row(900, 1200), Row(910, 1200)), twice));
        Assert.Equal(
            ["/reactions/0/from_c", "/reactions/0/to_c", "/reactions/1/to_c"],
            told.Select(f => f.Pointer).Order(StringComparer.Ordinal));
        // It was moved.
        told = Told(Marked(Glaze(Row(900, 1200), Row(700, 800)), marks));
        Assert.Equal(["/reactions/0/from_c", "/reactions/0/to_c"], told.Select(f => f.Pointer).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void Marks_follow_their_entry_and_those_of_entries_that_are_gone_are_let_go()
    {
        var to = PackPath.Parse("entries/glazes/tide.json");
        var tree = Marked(Glaze(Row(900, 1100)), new LaterValue(Path, "/body", "\"#9ec2b4\"")).Tree;
        var followed = tree.With([new TreeEdit.Move(Path, to), .. LaterValues.Follow(tree, Path, to).Edits]);
        Assert.Equal([to], LaterValues.Read(followed).Select(l => l.Key));
        var gone = followed.With([new TreeEdit.Delete(to)]);
        var other = new LaterValue(PackPath.Parse("firing.json"), "/by", "\"x\"");
        Assert.Equal([other], LaterValues.Read(gone.With(LaterValues.Mark(gone, [other]).Edits)).SelectMany(l => l));
    }

    /// <summary>What is marked is read as it was marked, and marking it twice changes nothing.</summary>
    [Fact]
    public void Any_marks_are_read_as_they_were_written()
    {
        var tree = APack.Of().With(Path.Value, Glaze()).Tree;
        var json = Gen.OneOf(
            Gen.Int.Select(i => i.ToString(CultureInfo.InvariantCulture)),
            Gen.String.Select(s => Encoding.UTF8.GetString(JsonEdit.Text(s))));
        var pointer = Gen.OneOfConst("/body", "/reactions/0/gives/a~1b", "/rim");
        var marks = Gen.Select(pointer, json, (p, j) => new LaterValue(Path, p, j)).List[1, 4];
        marks.Sample(some =>
        {
            var values = some.DistinctBy(m => m.Pointer).ToList();
            var marked = tree.With(LaterValues.Mark(tree, values).Edits);
            var read = LaterValues.Read(marked)[Path].ToList();
            Assert.Equal(values.Select(v => v.Pointer).Order(StringComparer.Ordinal), read.Select(v => v.Pointer));
            foreach (var value in values) Assert.Equal(Shown(value), Shown(read.Single(r => r.Pointer == value.Pointer)));
            Assert.Empty(LaterValues.Mark(marked, read).Edits);
        });
    }

    private static string Shown(LaterValue value) => JsonText.Parse(Encoding.UTF8.GetBytes(value.Json!)).Root.ToString();

    [Theory]
    [InlineData("nothing")]
    [InlineData("""{ "later": 3 }""")]
    [InlineData("""{ "later": [3, { "path": "../x" }, { "path": "a/b.json", "pointer": "/c" }] }""")]
    public void What_cannot_be_read_is_passed_over(string written) =>
        Assert.Empty(LaterValues.Read(APack.Of().With(LaterValues.File.Path.Value, written).Tree));
}
