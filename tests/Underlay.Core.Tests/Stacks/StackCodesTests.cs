using Underlay.Core.Findings;
using Underlay.Core.Mending;

namespace Underlay.Core.Tests.Stacks;

/// <summary>Codes that a table of the pack adds or takes away count for the whole stack.</summary>
public class StackCodesTests
{
    private const string Jug = """{ "id": "saltbrook.jug", "shape": "jug", "made_of": "saltbrook_tin", "price": 4 }""";

    private static CheckReport Check(APack pack) => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, pack.Tree);

    private static IReadOnlyList<string> Dangling(APack pack) =>
        [
            .. Check(pack).Findings
                .Where(f => f.Code.Value == "entry/dangling")
                .SelectMany(f => f.Predicts)
                .Select(p => p.Path)
                .Distinct()
                .Order(),
        ];

    [Fact]
    public void A_material_of_the_packs_own_table_may_be_used()
    {
        var pack = APack.Of().With("wares/jug/ware.json", Jug);
        Assert.Contains("wares/jug/ware.json", Dangling(pack));
        Assert.Empty(Dangling(pack.With("tables/materials.csv", "code,do,name\nsaltbrook_tin,add,Tin\n")));
    }

    [Fact]
    public void A_table_that_cannot_be_used_adds_nothing() =>
        Assert.Contains(
            "wares/jug/ware.json",
            Dangling(APack.Of().With("wares/jug/ware.json", Jug).With("tables/materials.csv", "code,do\nsaltbrook_tin,keep\n")));

    [Fact]
    public void A_material_that_is_taken_away_spoils_what_the_base_makes_of_it()
    {
        var taken = Dangling(APack.Of().With("tables/materials.csv", "code,do\nreed,remove\n"));
        Assert.NotEmpty(taken);
        Assert.Contains(
            Check(APack.Of().With("tables/materials.csv", "code,do\nreed,remove\n")).Findings,
            f => f.Message.Contains("which the table of materials of the pack takes away", StringComparison.Ordinal));
        Assert.All(taken, p => Assert.DoesNotContain("clay", p, StringComparison.Ordinal));
        // Without the column that says what rows do, the table replaces the base's whole.
        var replaced = Dangling(APack.Of().With("tables/materials.csv", "code,name\nsaltbrook_tin,Tin\n"));
        Assert.Superset(taken.ToHashSet(), replaced.ToHashSet());
        Assert.True(replaced.Count > taken.Count);
    }

    [Fact]
    public void A_whole_copy_of_the_bases_table_is_brought_down_to_what_is_the_packs_own()
    {
        var own = System.Text.Encoding.UTF8.GetString(SmallBase.Files["tables/materials.csv"]);
        var pack = APack.Of().With("wares/jug/ware.json", Jug).With("tables/materials.csv", own + "saltbrook_tin,Tin,clay,4.0\n");
        Assert.Empty(Dangling(pack));
        var mended = FixRunner.Run(
            "p",
            pack.Tree,
            t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t),
            Repository.Kilnmoor,
            ["table/copied-rows"]);
        Assert.Empty(mended.Held);
        Assert.DoesNotContain(mended.Report.Findings, f => f.Code.Value is "entry/dangling" or "table/copied-rows");
    }

    [Fact]
    public void A_change_of_the_table_is_seen_by_a_session_that_is_open()
    {
        var session = CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, APack.Of().With("wares/jug/ware.json", Jug).Tree);
        Assert.Contains(session.Report.Findings, f => f.Code.Value == "entry/dangling");
        var table = new Core.Packs.TreeEdit.Write(
            Core.Packs.PackPath.Parse("tables/materials.csv"),
            "code,do\nsaltbrook_tin,add\n"u8.ToArray());
        session = session.With([table]);
        Assert.DoesNotContain(session.Report.Findings, f => f.Code.Value == "entry/dangling" && f.Severity == Severity.Blocker);
        session = session.With([new Core.Packs.TreeEdit.Delete(table.Path)]);
        Assert.Contains(session.Report.Findings, f => f.Code.Value == "entry/dangling");
    }
}
