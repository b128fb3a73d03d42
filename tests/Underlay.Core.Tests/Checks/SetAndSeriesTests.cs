using Underlay.Core.Findings;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Checks;

/// <summary>Sets come whole from one package; series are numbered without a gap, on one canvas, from one package.</summary>
public class SetAndSeriesTests
{
    private static readonly string[] Times = ["dawn", "noon", "lamp"];

    private static APack Awnings(string market, params string[] members) =>
        members.Aggregate(APack.Of(), (pack, m) => pack.With($"art/awnings/{market}/{m}.png", Picture.Of(150, 60)));

    private static APack Flames(string kiln, params int[] numbers) =>
        numbers.Aggregate(APack.Of(), (pack, n) => pack.With($"art/flames/{kiln}/{n:D2}.png", Picture.Of(40, 40)));

    /// <summary>What is told at which path, files that one finding stands for among them.</summary>
    private static IEnumerable<(string Code, string Path, string Outcome)> Found(APack pack) =>
        pack.Findings().Where(f => f.Severity == Severity.Blocker).SelectMany(f => f.Predicts.Select(p => (f.Code.Value, p.Path, p.Code)));

    [Fact]
    public void A_whole_set_is_sound() => Assert.Empty(Awnings("quay", Times).With("art/scenes/quay.png", Picture.Of(264, 150)).Findings());

    [Fact]
    public void A_member_that_the_base_has_would_stay_unchanged() =>
        Assert.Equal([("set/incomplete", "art/awnings/quay/lamp.png", "unchanged")], Found(Awnings("quay", "dawn", "noon")));

    [Fact]
    public void A_member_that_the_base_lacks_would_be_blank() =>
        Assert.Equal(
            [("set/incomplete", "art/awnings/hill/dawn.png", "blank"), ("set/incomplete", "art/awnings/hill/lamp.png", "blank")],
            Found(Awnings("hill", "noon")));

    [Fact]
    public void A_member_that_cannot_be_read_counts_as_left_out_and_is_told_once()
    {
        var findings = Awnings("quay", Times)
            .With("art/scenes/quay.png", Picture.Of(264, 150))
            .With("art/awnings/quay/noon.png", "no picture")
            .Findings();
        var one = Assert.Single(findings);
        Assert.Equal("image/unreadable", one.Code.Value);
        Assert.Contains(one.Predicts, p => p is { Kind: PredictionKind.Outcome, Path: "art/awnings/quay/noon.png", Code: "unchanged" });
    }

    [Fact]
    public void What_is_missing_names_what_is_there() =>
        Assert.Contains(
            "The set has dawn.png, noon.png and not this one",
            Awnings("quay", "dawn", "noon").Finding().Message,
            StringComparison.Ordinal);

    [Fact]
    public void A_series_as_long_as_the_base_s_is_sound_and_so_is_a_longer_one()
    {
        Assert.Empty(Flames("updraught", 1, 2, 3, 4).Findings());
        Assert.Empty(Flames("updraught", 1, 2, 3, 4, 5, 6).Findings());
    }

    [Fact]
    public void Pictures_of_the_base_among_the_pack_s_are_mixed() =>
        Assert.Equal(
            [("series/mixed", "art/flames/updraught/02.png", "mixed"), ("series/mixed", "art/flames/updraught/04.png", "mixed")],
            Found(Flames("updraught", 1, 3)));

    [Fact]
    public void Behind_a_gap_every_picture_is_short() =>
        Assert.Equal(
            [("series/gap", "art/flames/pit/03.png", "short"), ("series/gap", "art/flames/pit/04.png", "short")],
            Found(Flames("pit", 1, 3, 4)));

    [Fact]
    public void A_series_does_not_begin_with_nought() =>
        Assert.Contains("begins with 1", Flames("pit", 0, 1, 2).Finding().Message, StringComparison.Ordinal);

    [Fact]
    public void Each_kiln_is_a_series_of_its_own()
    {
        var both = Flames("updraught", 1, 2, 3, 4);
        foreach (var (path, bytes) in Flames("pit", 1, 2).Files) both = both.With(path, bytes);
        Assert.Empty(both.With("art/flames/pit/01.png", Picture.Of(32, 32)).With("art/flames/pit/02.png", Picture.Of(32, 32)).Findings());
    }

    [Fact]
    public void Another_canvas_is_brought_to_the_first_one_s()
    {
        var pack = Flames("updraught", 1, 2, 3, 4).With("art/flames/updraught/02.png", Picture.Of(44, 40));
        var (tree, applied, _, report) = Core.Mending.FixRunner.Run(
            "p",
            pack.Tree,
            t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t),
            Repository.Kilnmoor,
            ["series/canvas"]);
        Assert.IsType<FitToSize>(Assert.IsType<Core.Fixes.ShapePicture>(Assert.Single(applied).Finding.Fix).Steps[0]);
        Assert.Empty(report.Findings);
        Assert.Equal(
            new PixelSize(40, 40),
            PngReader.Inspect(tree.Find(PackPath.Parse("art/flames/updraught/02.png"))!.ReadAll(), PixelNeed.None).Header!.Size);
    }
}
