using Underlay.Core.Findings;
namespace Underlay.Core.Tests.Checks;

/// <summary>One cause is told once, with all the files that it concerns and all that the host makes of them.</summary>
public class OneCauseTests
{
    private static APack Copy(Func<string, bool> which) =>
        SmallBase.Files.Where(f => which(f.Key)).Aggregate(APack.Of(), (pack, f) => pack.With(f.Key, f.Value));

    [Fact]
    public void Sixty_plates_without_contents_are_one_finding_with_sixty_files()
    {
        var guide = Enumerable.Range(1, 60).Aggregate(AGuide.Of(), (g, i) => g.With($"plates/p{i}.png", Picture.Of(320, 300)));
        var finding = Assert.Single(guide.Findings(), f => f.Severity == Severity.Blocker);
        Assert.Equal(60, finding.Parts.Count);
        Assert.Equal(60, finding.Predicts.Count(p => p.Path.StartsWith("plates/", StringComparison.Ordinal)));
    }

    [Fact]
    public void The_unchanged_files_of_a_copy_are_one_line_with_one_fix()
    {
        var finding = Assert.Single(
            Copy(p => p.StartsWith("wares/", StringComparison.Ordinal)).With("wares/milk_jug/shelf.png", Picture.Shelf()).Findings(),
            f => f.Code.Value == "pack/unchanged");
        Assert.True(finding.Parts.Count > 5);
        Assert.NotNull(finding.Fix);
    }

    [Fact]
    public void What_is_told_for_many_is_told_of_each_when_it_stands_alone()
    {
        var one = APack.Of()
            .With("wares/milk_jug/shelf.png", SmallBase.Files["wares/milk_jug/shelf.png"])
            .With("art/surfaces/water.png", Picture.Filled(64, 64, new Pixel(1, 2, 3, 130)));
        Assert.Equal("wares/milk_jug/shelf.png", one.Findings().Single(f => f.Code.Value == "pack/unchanged").Path);
    }

    [Fact]
    public void A_file_unread_beside_a_file_missing_is_one_finding_with_one_rename()
    {
        var pack = APack.Of()
            .WithWare("tide_jug")
            .Without("wares/tide_jug/skin.png")
            .With("wares/tide_jug/jug1_skin.png", Picture.Of(64, 64));
        var finding = Assert.Single(pack.Findings(), f => f.Severity == Severity.Blocker);
        Assert.Equal("wares/tide_jug/jug1_skin.png", finding.Path);
        Assert.Contains("skin.png", finding.Fix!.Title, StringComparison.Ordinal);
        Assert.Contains(finding.Predicts, p => p.Path == "wares/tide_jug/skin.png");
    }

    [Fact]
    public void A_folder_around_everything_is_told_once_whatever_lies_in_it()
    {
        var wrapped = new APack(Copy(_ => true).Files.ToDictionary(f => "my pack/" + f.Key, f => f.Value));
        var finding = Assert.Single(wrapped.Findings());
        Assert.Equal("package/wrapped", finding.Code.Value);
    }

    [Fact]
    public void A_table_of_the_base_s_that_lies_outside_every_place_is_known_as_a_copy()
    {
        var finding = APack.Of()
            .With("codes/markets.csv", SmallBase.Files["codes/markets.csv"])
            .With("art/surfaces/water.png", Picture.Filled(64, 64, new Pixel(1, 2, 3, 130)))
            .Findings()
            .Single(f => f.Path == "codes/markets.csv");
        Assert.Contains("Kilnmoor’s own file", finding.Message, StringComparison.Ordinal);
        Assert.NotEqual(Severity.Blocker, finding.Severity);
    }
}
