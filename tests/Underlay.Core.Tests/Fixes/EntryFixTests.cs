using System.Text;
using Underlay.Core.Findings;
using Underlay.Core.Mending;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Repairs inside entries, tables and manifests: one value changes, the rest stays as the author wrote it.</summary>
public class EntryFixTests
{
    private const string Cup = "wares/tide_cup/ware.json";

    private static (FileTree Tree, CheckReport Report) Run(APack pack, params string[] only)
    {
        var (tree, _, _, report) = Fixing.Run(pack, only);
        return (tree, report);
    }

    private static string Text(FileTree tree, string path) => Encoding.UTF8.GetString(tree.Find(PackPath.Parse(path))!.ReadAll());

    private static APack Ware(string entry) => APack.Of().WithWare("tide_cup").With(Cup, entry);

    [Theory]
    [InlineData("entry/misnamed", "\"id\": \"saltbrook.tidecup\"", "\"id\": \"saltbrook.tide_cup\"")]
    [InlineData("entry/dangling", "\"shape\": \"jugg\"", "\"shape\": \"jug\"")]
    [InlineData("entry/twice", "\"stall\": \"001\"", "\"stall\": \"003\"")]
    [InlineData("name/prefix", "\"id\": \"other.tide_cup\"", "\"id\": \"saltbrook.tide_cup\"")]
    public void A_value_is_put_right_when_asked_for(string code, string wrong, string right)
    {
        var field = wrong.Split(':')[0];
        var fields = new[] { "\"id\": \"saltbrook.tide_cup\"", "\"shape\": \"jug\"", "\"stall\": \"007\"" }.Select(
            f => f.StartsWith(field, StringComparison.Ordinal) ? wrong : f);
        var entry = $"{{\n  {string.Join(",\n  ", fields)},\n\n  \"made_of\":   \"clay\", \"price\": 3\n}}\n";
        var pack = Ware(entry).With($"art/stalls/{(code == "entry/twice" ? "003" : "007")}.png", Picture.Of(96, 72));
        Assert.Single(pack.Findings(), f => f.Code.Value == code);
        Assert.Equal(entry, Text(Run(pack).Tree, Cup));
        var (tree, report) = Run(pack, code);
        Assert.Empty(report.Findings);
        Assert.Equal(entry.Replace(wrong, right, StringComparison.Ordinal), Text(tree, Cup));
        Assert.Equal(entry, Text(tree, $".underlay/sources/{Cup}"));
    }

    [Fact]
    public void Others_of_the_pack_follow_an_id_that_is_set()
    {
        var pack = Ware("""{ "id": "other.tide_cup", "shape": "jug", "made_of": "clay", "price": 3 }""")
            .Without("texts/pack.csv")
            .WithTexts("other.tide_cup/name", "other.tide_cup/about")
            .WithWare("tide_mug")
            .With("wares/tide_mug/ware.json", """{ "id": "saltbrook.tide_mug", "like": "other.tide_cup" }""");
        var (tree, report) = Run(pack, "name/prefix");
        Assert.Empty(report.Findings);
        Assert.Contains("\"like\": \"saltbrook.tide_cup\"", Text(tree, "wares/tide_mug/ware.json"), StringComparison.Ordinal);
        Assert.Contains("saltbrook.tide_cup/about,", Text(tree, "texts/pack.csv"), StringComparison.Ordinal);
    }

    [Fact]
    public void After_the_manifests_id_changed_names_get_the_new_prefix_in_place_of_the_old()
    {
        var pack = APack.Of().WithWare("tide_cup", "other.tide_cup")
            .WithSurface("other_sand", Picture.Of(64, 64))
            .WithSurface("kelp_sand", Picture.Of(64, 64).With(1, 1, new Pixel(1, 2, 3, 255)));
        var (tree, report) = Run(pack, "name/prefix");
        Assert.DoesNotContain(report.Findings, f => f.Code.Value == "name/prefix" || f.Blocks);
        Assert.Contains("\"id\": \"saltbrook.tide_cup\"", Text(tree, Cup), StringComparison.Ordinal);
        Assert.NotNull(tree.Find(PackPath.Parse("art/surfaces/saltbrook_sand.surface.json")));
        // What is no prefix stays in the name.
        Assert.NotNull(tree.Find(PackPath.Parse("art/surfaces/saltbrook_kelp_sand.png")));
    }

    /// <summary>Ids first, as the page does that mends one kind at a time: names still know what the prefix was.</summary>
    [Fact]
    public void A_former_prefix_is_known_from_what_was_kept_of_an_entry()
    {
        var pack = APack.Of().WithWare("tide_cup")
            .With($".underlay/sources/{Cup}", SmallBase.Ware("other.tide_cup"))
            .WithSurface("other_sand", Picture.Of(64, 64));
        var finding = Assert.Single(pack.Findings(), f => f.Code.Value == "name/prefix");
        Assert.Equal("Name it saltbrook_sand", finding.Fix!.Title);
        // An original that cannot be read tells nothing, and fails nothing.
        var broken = pack.With($".underlay/sources/{Cup}", "{ \"id\": [");
        Assert.Equal("Name it saltbrook_other_sand", Assert.Single(broken.Findings(), f => f.Code.Value == "name/prefix").Fix!.Title);
    }

    /// <summary>A pack of pictures alone has no ids that would tell; a word that is not before all of its names is no prefix.</summary>
    [Theory]
    [InlineData("kelp_sand", "kelp_mud", "Name it saltbrook_mud", "Name it saltbrook_sand")]
    [InlineData("kelpwick_sand", "kelpwick_mud", "Name it saltbrook_mud", "Name it saltbrook_sand")]
    [InlineData("kelp_sand", "reed_mat", "Name it saltbrook_kelp_sand", "Name it saltbrook_reed_mat")]
    [InlineData("wick_sand", "wick_mud", "Name it saltbrook_wick_mud", "Name it saltbrook_wick_sand")]
    public void A_former_prefix_is_known_from_the_authors_name(string one, string other, params string[] fixes)
    {
        var pack = APack.Of()
            .With("firing.json", APack.Manifest.Replace("\"Saltbrook\"", "\"Kelp Wick\"", StringComparison.Ordinal))
            .WithSurface(one, Picture.Of(64, 64))
            .WithSurface(other, Picture.Of(64, 64).With(1, 1, new Pixel(1, 2, 3, 255)));
        Assert.Equal(fixes, pack.Findings().Where(f => f.Code.Value == "name/prefix").Select(f => f.Fix!.Title).Order());
    }

    [Fact]
    public void Who_takes_fields_over_from_a_near_name_is_given_the_near_one()
    {
        var (tree, report) = Run(Ware("""{ "id": "saltbrook.tide_cup", "like": "moor.soup_bowls" }"""), "entry/dangling");
        // Its ember map is its own affair, and is told.
        Assert.Equal(["companion/missing"], report.Findings.Select(f => f.Code.Value));
        Assert.Contains("moor.soup_bowl\"", Text(tree, Cup), StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_file_of_the_base_says_is_not_ours_to_change()
    {
        // The pack's glaze takes the place of the base's and leaves its id without owner.
        var pack = APack.Of().With("entries/glazes/celadon.json", """{ "id": "saltbrook.celadon", "body": "#9ec2b4", "rim": "#2f6e63" }""");
        Assert.All(pack.Findings().Where(f => f.Path.StartsWith("wares/", StringComparison.Ordinal)), f => Assert.Null(f.Fix));
        Assert.Contains(pack.Findings(), f => f.Predicts.Any(p => p.Path == "wares/milk_jug/ware.json" && p.Code == "dangling"));
    }

    [Fact]
    public void A_row_is_added_to_a_table_with_the_columns_that_it_has()
    {
        var seal = (
            Picture.Filled(60, 44, new Pixel(40, 50, 60, 255)) with
            {
                At = (x, y) =>
                    x is > 14 and < 46 && y is > 10 and < 34 && x % 10 < 4 ? new Pixel(250, 250, 250, 255) : new Pixel(40, 50, 60, 255),
            }).WithClearRing();
        var pack = APack.Of().With("art/seals/saltbrook_tide.png", seal);
        // Every text that people see is there, without the author's prefix.
        Assert.Equal("code,do,name\nsaltbrook_tide,add,Tide\n", Text(Run(pack).Tree, "tables/seals.csv"));
        foreach (var (before, after) in new[]
        {
            ("do,name,code\r\nchange,Clay,clay_mark", "do,name,code\r\nchange,Clay,clay_mark\r\nadd,Tide,saltbrook_tide\r\n"),
            (
                "code,do,name\nclay_mark,change,\"Clay, red\nand white\"\n",
                "code,do,name\nclay_mark,change,\"Clay, red\nand white\"\nsaltbrook_tide,add,Tide\n"),
        })
        {
            var (tree, report) = Run(pack.With("tables/seals.csv", before));
            Assert.Empty(report.Findings);
            Assert.Equal(after, Text(tree, "tables/seals.csv"));
        }
    }

    [Fact]
    public void A_skin_beside_a_DDS_becomes_one_and_its_PNG_is_kept()
    {
        var pack = APack.Of()
            .With("wares/milk_jug/skin.png", Picture.Of(64, 64))
            .With("art/stalls/001.png", Picture.Of(96, 72))
            .With("wares/milk_jug/shelf.png", Picture.Shelf());
        var ddsBase = new Dictionary<string, byte[]>(SmallBase.Files) { ["wares/milk_jug/skin.dds"] = Dds.Of(64, 64) };
        var catalogue = Core.BaseFiles.BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            FileTree.OfBytes(ddsBase.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var (tree, applied, _, report) = FixRunner.Run(
            "p",
            pack.Tree,
            t => CheckReport.Make(Repository.Kilnmoor, null, e => e.Order == 2 ? catalogue : SmallBase.Of(e), t),
            Repository.Kilnmoor,
            ["companion/outranked"]);
        Assert.Equal("Save it as skin.dds", Assert.Single(applied).Finding.Fix!.Title);
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        Assert.Null(tree.Find(PackPath.Parse("wares/milk_jug/skin.png")));
        Assert.Equal(Picture.Of(64, 64).ToPng(), tree.Find(PackPath.Parse(".underlay/sources/wares/milk_jug/skin.png"))!.ReadAll());
    }
}
