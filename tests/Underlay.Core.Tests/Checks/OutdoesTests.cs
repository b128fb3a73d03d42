using System.Text;
using CsCheck;
using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks;

/// <summary>A ware that is no worse than one of the base in anything that counts leaves nobody a reason to take that.</summary>
public class OutdoesTests
{
    private static readonly string Jug = Ware("moor.milk_jug", 12, 5, 800);

    private static string Ware(string id, int price, double hardness, int? volume, string more = "") =>
        $$"""
        { "id": "{{id}}", "shape": "jug", "made_of": "clay", "price": {{price}}, "hardness": {{hardness}}
        {{(volume is null ? "" : $", \"volume_ml\": {volume}")}}{{more}} }
        """;

    /// <summary>A ware of the pack beside one jug of the base.</summary>
    private static IReadOnlyList<Finding> Told(string ware)
    {
        var files = new Dictionary<string, byte[]>(SmallBase.Files) { ["wares/milk_jug/ware.json"] = Encoding.UTF8.GetBytes(Jug) };
        files.Remove("wares/big_jug/ware.json");
        var stack = Core.BaseFiles.BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            FileTree.OfBytes(files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var pack = APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", ware);
        return [.. CheckReport.Make(Repository.Kilnmoor, null, _ => stack, pack.Tree).Findings.Where(f => f.Code.Value == "entry/outdoes")];
    }

    [Theory]
    [InlineData(11, 5, 800)]
    [InlineData(12, 5.1, 800)]
    [InlineData(12, 5, 801)]
    [InlineData(3, 9, 2000)]
    public void It_is_told_with_the_numbers_of_both(int price, double hardness, int volume)
    {
        var finding = Assert.Single(Told(Ware("saltbrook.tide_cup", price, hardness, volume)));
        Assert.Equal(("wares/tide_cup/ware.json", "/price", Severity.Note), (finding.Path, finding.Pointer, finding.Severity));
        Assert.Contains(
            FormattableString.Invariant($"price {price} for 12, hardness {hardness} for 5"),
            finding.Message,
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(12, 5.0, 800)]
    [InlineData(13, 9.0, 2000)]
    [InlineData(3, 4.9, 2000)]
    [InlineData(3, 9.0, 799)]
    [InlineData(3, 9.0, null)]
    public void What_is_alike_worse_in_something_or_cannot_be_weighed_up_is_not(int price, double hardness, int? volume) =>
        Assert.Empty(Told(Ware("saltbrook.tide_cup", price, hardness, volume)));

    /// <summary>
    /// A check of one file that asks for others looks again when those change, although its own file and group are as they were.
    /// </summary>
    [Fact]
    public void It_is_told_anew_whenever_any_other_ware_changes()
    {
        string[] names = ["milk_jug", "soup_bowl", "big_jug", "tide_cup", "reed_cup"];
        Gen.Select(Gen.Int[0, names.Length - 1], Gen.Int[0, 3], Gen.Int[1, 3], Gen.Int[1, 2]).Array[12].Sample(changes =>
        {
            var pack = APack.Of().WithWare("tide_cup").WithWare("reed_cup");
            var session = CheckSession.Open(Repository.Kilnmoor, null, SmallBase.Of, pack.Tree);
            foreach (var (which, price, hardness, volume) in changes)
            {
                var path = PackPath.Parse($"wares/{names[which]}/ware.json");
                var id = which > 2 ? $"saltbrook.{names[which]}" : $"moor.{names[which]}";
                TreeEdit edit = price > 0 || session.Tree.Find(path) is null
                    ? new TreeEdit.Write(path, Encoding.UTF8.GetBytes(Ware(id, price + 1, hardness, 400 * volume)))
                    : new TreeEdit.Delete(path);
                session = session.With([edit]);
                var anew = CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, session.Tree);
                Assert.Equal(Lines(anew), Lines(session.Report));
            }
        }, iter: 60);
    }

    private static IEnumerable<string> Lines(CheckReport report) => report.Findings.Select(f => $"{f.Code} {f.Path} {f.Message}");

    /// <summary>What is taken over from another counts as its own.</summary>
    [Fact]
    public void A_number_that_is_taken_over_counts() =>
        Assert.Single(Told("""{ "id": "saltbrook.tide_cup", "like": "moor.milk_jug", "price": 9 }"""));
}
