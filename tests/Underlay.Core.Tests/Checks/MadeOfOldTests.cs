using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Fixes;

namespace Underlay.Core.Tests.Checks;

/// <summary>Files that were made of another edition's, and what the base changed since.</summary>
public class MadeOfOldTests
{
    private const string Ware = "wares/milk_jug/ware.json";
    private const string Then =
        """{ "id": "moor.milk_jug", "shape": "jug", "made_of": "clay", "price": 12, "weight_g": 400, "foot_cm": 9 }""";
    private const string Now =
        """{ "id": "moor.milk_jug", "shape": "jug", "made_of": "clay", "price": 14, "weight_g": 380, "foot_cm": 9, "hardness": 4.5 }""";

    private static CheckReport Check(APack pack, string path, string then, string now)
    {
        BaseCatalogue With(Core.Hosts.Edition edition) => BaseCatalogue.Read(
            Repository.Kilnmoor,
            edition,
            FileTree.OfBytes(
                new Dictionary<string, byte[]>(SmallBase.FilesOf(edition.Key))
                {
                    [path] = Encoding.UTF8.GetBytes(edition.Key == "4.0" ? now : then),
                }.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        return CheckReport.Make(Repository.Kilnmoor, null, With, pack.Tree);
    }

    private static (Findings.Finding? Finding, string After) Carry(string path, string then, string mine, string now)
    {
        var pack = APack.Of().With(path, mine);
        var report = Check(pack, path, then, now);
        var finding = report.Findings.SingleOrDefault(f => f.Code.Value == "entry/made-of-old");
        if (finding?.Fix is null) return (finding, mine);
        var context = new FixContext("p", Repository.Kilnmoor, report.Edition, report.Overlay);
        var tree = pack.Tree.With(finding.Fix.Edit(pack.Tree, context));
        var after = Encoding.UTF8.GetString(tree.Find(PackPath.Parse(path))!.ReadAll());
        // Nothing is left to take in.
        var again = Check(APack.Of().With(path, after), path, then, now).Findings.Where(f => f.Code.Value == "entry/made-of-old");
        Assert.All(again, f => Assert.Null(f.Fix));
        return (finding, after);
    }

    [Fact]
    public void What_only_the_base_changed_comes_in_and_what_the_author_changed_stays()
    {
        var mine = Then.Replace("\"foot_cm\": 9", "\"foot_cm\":  11", StringComparison.Ordinal);
        var (finding, after) = Carry(Ware, Then, mine, Now);
        Assert.Contains("made of Kilnmoor 3.1’s", finding!.Message, StringComparison.Ordinal);
        Assert.Contains("“price”, “weight_g”, “hardness”", finding.Message, StringComparison.Ordinal);
        Assert.Equal(
            Now.Replace("\"foot_cm\": 9", "\"foot_cm\":  11", StringComparison.Ordinal),
            after);
    }

    [Fact]
    public void What_both_changed_is_named_and_the_author_s_stands()
    {
        var (finding, after) = Carry(Ware, Then, Then.Replace("\"price\": 12", "\"price\": 20", StringComparison.Ordinal), Now);
        Assert.Contains("“price” you and the base changed both", finding!.Message, StringComparison.Ordinal);
        Assert.Contains("\"price\": 20", after, StringComparison.Ordinal);
        Assert.Contains("\"weight_g\": 380", after, StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_that_is_nearest_to_the_base_of_now_is_the_author_s_own()
    {
        Assert.Null(Carry(Ware, Then, Now.Replace("14", "12", StringComparison.Ordinal), Now).Finding);
        Assert.Null(Carry(Ware, Then, Now, Now).Finding);
    }

    [Fact]
    public void Lists_are_compared_entry_by_entry_wherever_these_stand()
    {
        const string path = "entries/techniques.json";
        static string List(params (string Id, int Months)[] entries)
        {
            var items = entries.Select(e => $$"""{ "id": "{{e.Id}}", "months": {{e.Months}} }""");
            return $$"""{ "entries": [{{string.Join(", ", items)}}] }""";
        }

        var then = List(("moor.a", 1), ("moor.b", 2), ("moor.c", 3));
        var now = List(("moor.d", 4), ("moor.a", 1), ("moor.b", 5), ("moor.c", 3));
        var mine = List(("moor.c", 9), ("saltbrook.e", 1), ("moor.b", 2), ("moor.a", 1));
        var (finding, after) = Carry(path, then, mine, now);
        Assert.Contains("take back “months” of moor.b; it lacks moor.d", finding!.Message, StringComparison.Ordinal);
        Assert.Contains("""{ "id": "moor.b", "months": 5 }""", after, StringComparison.Ordinal);
        Assert.Contains("""{ "id": "moor.c", "months": 9 }""", after, StringComparison.Ordinal);
        Assert.Contains("""{ "id": "moor.d", "months": 4 }""", after, StringComparison.Ordinal);
    }

    [Fact]
    public void A_table_that_replaces_the_base_s_takes_in_values_rows_and_columns()
    {
        const string path = "tables/seals.csv";
        var (finding, after) = Carry(
            path,
            "code,name\na,Ay\nb,Bee\nc,Sea\n",
            "code,name\na,Ay\nb,\"Mine\"\nc,Sea\n",
            "code,name,since\na,Ay,1\nb,Bee,1\nc,\"Sea, wide\",1\nd,Dee,4\n");
        Assert.NotNull(finding);
        Assert.Equal("code,name,since\na,Ay,1\nb,\"Mine\",1\nc,\"Sea, wide\",1\nd,Dee,4\n", after);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void Whatever_three_files_say_each_value_is_whose_it_is_to_be(int seed)
    {
        var random = new Random(seed);
        Dictionary<string, int> Changed(Dictionary<string, int> from, int changes)
        {
            var to = new Dictionary<string, int>(from);
            for (var i = 0; i < changes; i++)
            {
                var field = $"x{random.Next(12)}";
                if (random.Next(3) > 0) to[field] = random.Next(4);
                else to.Remove(field);
            }

            return to;
        }

        string Json(Dictionary<string, int> values) =>
            Then[..^2] + string.Concat(values.OrderBy(v => v.Key).Select(v => $", \"{v.Key}\": {v.Value}")) + " }";

        var then = Changed([], 30);
        var (mine, now) = (Changed(then, 2), Changed(then, 7));
        var (finding, after) = Carry(Ware, Json(then), Json(mine), Json(now));
        if (finding?.Fix is null) return;
        var read = System.Text.Json.JsonDocument.Parse(after).RootElement;
        for (var i = 0; i < 12; i++)
        {
            int? Of(Dictionary<string, int> values) => values.TryGetValue($"x{i}", out var value) ? value : null;
            // What the base took out stays in; what the author took out stays out.
            var wanted = Of(mine) == Of(then) ? Of(now) ?? Of(mine) : Of(mine);
            Assert.Equal(wanted, read.TryGetProperty($"x{i}", out var said) ? said.GetInt32() : null);
        }
    }

    [Fact]
    public void A_table_of_changes_is_no_copy() =>
        Assert.Null(
            Carry("tables/seals.csv", "code,name\na,Ay\n", "do,code,name\nchange,a,Ay\n", "code,name\na,Eh\n").Finding);
}
