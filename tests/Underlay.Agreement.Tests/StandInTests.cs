using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>What only shows with several packages, which a check of one pack does not see.</summary>
public class StandInTests
{
    private static readonly Kilnmoor.Layer Base = Kilnmoor.Layer.OfBase(SmallBase.Files.Select(f => (f.Key, f.Value)));

    private static APack Pack(string id, string version = "1.0.0", string from = "4.0", string to = "4.0", string needs = "") =>
        APack.Empty.With(
            "firing.json",
            $$"""
            {
              "id": "{{id}}", "version": "{{version}}", "title": "T", "by": "S",
              "reads": { "from": "{{from}}", "to": "{{to}}" }{{(needs.Length == 0 ? "" : $", \"needs\": [{needs}]")}}
            }
            """);

    private static StandIns.Report Load(bool insist, params APack[] packs) =>
        Kilnmoor.Game.Load(
            Base,
            "4.0",
            insist,
            [.. packs.Select((p, i) => ($"{i}.kilnmoor", (Func<Stream>)(() => new MemoryStream(Disagreement.Zip(p)))))]);

    /// <summary>The reason for each package, "listed" for those that are.</summary>
    private static string[] Reasons(params APack[] packs) => [.. Load(false, packs).Packages.Select(p => p.Reason ?? "listed")];

    [Fact]
    public void The_upper_package_wins_and_the_report_says_which()
    {
        var lower = Pack("a.low").With("art/surfaces/flagstone.png", Picture.Of(32, 32));
        var upper = Pack("a.up").With("art/surfaces/flagstone.png", Picture.Of(100, 100));
        var row = Assert.Single(Load(false, lower, upper).Shown);
        Assert.Equal(("art/surfaces/flagstone.png", "1.kilnmoor", "coarse"), (row.Path, row.From, row.As));
    }

    [Fact]
    public void A_file_that_is_left_out_lets_the_next_lower_one_show()
    {
        var lower = Pack("a.low").With("art/surfaces/flagstone.png", Picture.Of(32, 32));
        var upper = Pack("a.up").With("art/surfaces/flagstone.png", "no picture");
        var report = Load(false, lower, upper);
        Assert.Equal(("0.kilnmoor", "right"), (Assert.Single(report.Shown).From, report.Shown[0].As));
        Assert.Equal(("1.kilnmoor", "unreadable"), (Assert.Single(report.Dropped).From, report.Dropped[0].Code));
    }

    [Fact]
    public void A_picture_may_have_its_ware_in_a_lower_package()
    {
        var lower = Pack("a.low").WithWare("tide_cup");
        var upper = Pack("a.up").With("wares/tide_cup/shelf.png", Picture.Shelf());
        Assert.Empty(Load(false, lower, upper).Dropped);
        Assert.Equal("ownerless", Assert.Single(Load(false, upper).Dropped).Code);
    }

    [Fact]
    public void A_missing_picture_is_wanted_by_the_package_that_has_the_ware()
    {
        var row = Load(
            false,
            Pack("a.low"),
            Pack("a.up").WithWare("tide_cup").Without("wares/tide_cup/skin.png")).Shown.Single(s => s.As != "right");
        Assert.Equal(("wares/tide_cup/skin.png", "1.kilnmoor", "blank"), (row.Path, row.From, row.As));
    }

    [Fact]
    public void The_uppermost_package_that_has_a_member_supplies_the_set()
    {
        var whole = new[] { "dawn", "noon", "lamp" }.Aggregate(
            Pack("a.low"),
            (p, m) => p.With($"art/awnings/quay/{m}.png", Picture.Of(150, 60)));
        var upper = Pack("a.up").With("art/awnings/quay/noon.png", Picture.Of(150, 60));
        Assert.Equal(
            [
                ("art/awnings/quay/dawn.png", "1.kilnmoor", "unchanged"),
                ("art/awnings/quay/lamp.png", "1.kilnmoor", "unchanged"),
                ("art/awnings/quay/noon.png", "1.kilnmoor", "right"),
            ],
            Load(false, whole, upper).Shown.Select(s => (s.Path, s.From, s.As)));
        Assert.All(Load(false, upper, whole).Shown, s => Assert.Equal(("1.kilnmoor", "right"), (s.From, s.As)));
    }

    [Fact]
    public void Frames_of_a_lower_package_among_an_upper_ones_are_mixed()
    {
        var lower = Enumerable.Range(1, 4).Aggregate(Pack("a.low"), (p, i) => p.With($"art/flames/updraught/0{i}.png", Picture.Of(40, 40)));
        var upper = Enumerable.Range(1, 3).Aggregate(Pack("a.up"), (p, i) => p.With($"art/flames/updraught/0{i}.png", Picture.Of(48, 48)));
        var row = Load(false, lower, upper).Shown.Single(s => s.As != "right");
        Assert.Equal(("art/flames/updraught/04.png", "0.kilnmoor", "jumping"), (row.Path, row.From, row.As));
        Assert.Equal(["mixed"], row.Also);
    }

    [Fact]
    public void Tables_add_up_from_the_lowest_to_the_highest()
    {
        var seal = Picture.Of(60, 44).WithClearRing();
        var one = Pack("a.one").With("tables/seals.csv", "code,do\ntide,add\n").With("art/seals/tide.png", seal);
        var other = Pack("a.two").With("tables/seals.csv", "code,do\nmoon,add\ntide,remove\n").With("art/seals/moon.png", seal);
        Assert.Equal(
            [("art/seals/moon.png", "right"), ("art/seals/tide.png", "unlisted"), ("tables/seals.csv", "right")],
            Load(false, one, other).Shown.Select(s => (s.Path, s.As)));
        Assert.All(Load(false, other, one).Shown, s => Assert.Equal("right", s.As));
    }

    [Fact]
    public void A_ware_may_take_over_from_one_of_a_lower_package()
    {
        var lower = Pack("a.low").WithWare("tide_cup");
        var upper = Pack("a.up")
            .With("wares/tide_mug/ware.json", """{ "id": "a.tide_mug", "like": "saltbrook.tide_cup" }""")
            .With("wares/tide_mug/shelf.png", Picture.Shelf())
            .With("wares/tide_mug/skin.png", Picture.Of(64, 64));
        Assert.Empty(Load(false, lower, upper).Dropped);
        Assert.Equal(["ownerless", "ownerless", "dangling"], Load(false, upper).Dropped.OrderBy(d => d.Path).Select(d => d.Code));
    }

    [Fact]
    public void A_DDS_in_a_lower_package_beats_the_PNG_of_an_upper_one()
    {
        var lower = Pack("a.low").With("wares/milk_jug/skin.dds", Dds.Of(64, 64));
        var upper = Pack("a.up").With("wares/milk_jug/skin.png", Picture.Of(64, 64));
        var drop = Assert.Single(Load(false, lower, upper).Dropped);
        Assert.Equal(("wares/milk_jug/skin.png", "1.kilnmoor", "outranked"), (drop.Path, drop.From, drop.Code));
    }

    [Fact]
    public void Of_two_glazes_with_one_id_the_upper_packages_is_used()
    {
        const string Glaze = """{ "id": "a.tide", "body": "#112233", "rim": "#445566" }""";
        var report = Load(false, Pack("a.low").With("entries/glazes/z.json", Glaze), Pack("a.up").With("entries/glazes/a.json", Glaze));
        Assert.Equal(("entries/glazes/z.json", "twice"), (Assert.Single(report.Dropped).Path, report.Dropped[0].Code));
    }

    [Fact]
    public void Of_two_packages_with_one_id_the_later_counts() =>
        Assert.Equal(["superseded", "listed"], Reasons(Pack("a.one"), Pack("a.one", "2.0.0")));

    [Fact]
    public void A_package_for_another_edition_is_closed_until_insisted_on()
    {
        Assert.Equal(["closed"], Reasons(Pack("a.old", from: "3.0", to: "3.1")));
        Assert.True(Load(true, Pack("a.old", from: "3.0", to: "3.1")).Packages[0].Listed);
    }

    [Theory]
    [InlineData("1.2.0", "1.2.0", true)]
    [InlineData("1.10.0", "1.9.0", true)]
    [InlineData("1.1.9", "1.2.0", false)]
    [InlineData("2.0.0", "1.2.0", false)]
    [InlineData("1.2.0-rc.1", "1.2.0", false)]
    [InlineData("1.2.0", "1.2.0-rc.2", true)]
    [InlineData("1.2.0-rc.10", "1.2.0-rc.9", true)]
    public void What_a_package_needs_has_the_same_major_version_and_is_not_older(string there, string needed, bool met) =>
        Assert.Equal(
            ["listed", met ? "listed" : "closed"],
            Reasons(Pack("a.glaze", there), Pack("a.pots", needs: $$"""{ "id": "a.glaze", "version": "{{needed}}" }""")));

    [Fact]
    public void A_package_that_is_closed_closes_those_that_need_it() =>
        Assert.Equal(
            ["closed", "closed", "closed"],
            Reasons(
                Pack("a.one", needs: """{ "id": "a.none", "version": "1.0.0" }"""),
                Pack("a.two", needs: """{ "id": "a.one", "version": "1.0.0" }"""),
                Pack("a.three", needs: """{ "id": "a.two", "version": "1.0.0" }""")));

    [Fact]
    public void Files_that_nothing_reads_stand_only_in_the_log()
    {
        var report = Load(false, Pack("a.one").With("notes.txt", "x").With(".underlay/x.txt", "x"));
        Assert.Empty(report.Shown);
        Assert.Equal("notes.txt", Assert.Single(report.Log).Path);
    }

    [Fact]
    public void Outcomes_of_one_file_come_in_the_order_of_the_list()
    {
        var row = Assert.Single(
            Load(false, Pack("a.one").With("art/surfaces/new.png", Picture.Filled(50, 50, new Pixel(1, 1, 1, 9)))).Shown);
        Assert.Equal("hidden", row.As);
        Assert.Equal(["coarse", "holed"], row.Also);
    }
}
