using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Png;
using Underlay.Core.Mending;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Checks;

/// <summary>A picture beside the one of the base that it replaces.</summary>
public class ReplacedPictureTests
{
    private const string Shelf = "wares/milk_jug/shelf.png";
    private static readonly Pixel White = new(255, 255, 255, 255);

    /// <summary>A dark form of 30 x 30 on a ground.</summary>
    private static Picture FormOn(Pixel ground) =>
        Picture.Filled(56, 56, ground) with
        {
            At = (x, y) => x is > 12 and < 43 && y is > 12 and < 43 ? new Pixel(60, 40, 30, 255) : ground,
        };

    private static Finding AlphaLost(APack pack) => pack.Findings().Single(f => f.Code.Value == "image/alpha-lost");

    private static (FileTree Tree, CheckReport Report) Mend(APack pack, string code)
    {
        var (tree, _, _, report) = FixRunner.Run(
            "p",
            pack.Tree,
            t => CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, t),
            Repository.Kilnmoor,
            [code]);
        return (tree, report);
    }

    [Fact]
    public void A_form_on_one_ground_is_cut_from_it()
    {
        var pack = APack.Of().With(Shelf, FormOn(White));
        var finding = AlphaLost(pack);
        Assert.Contains("on #ffffff", finding.Message, StringComparison.Ordinal);
        Assert.IsType<CutMatte>(Assert.IsType<ShapePicture>(finding.Fix).Steps[0]);
        var (tree, report) = Mend(pack, "image/alpha-lost");
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        var (rgba, _, _) = PngReader.Decode(tree.Find(PackPath.Parse(Shelf))!.ReadAll());
        Assert.Equal(0, rgba![3]);
        Assert.Equal(255, rgba[(((28 * 56) + 28) * 4) + 3]);
    }

    [Fact]
    public void How_much_would_be_clear_is_told_beside_the_base_s() =>
        Assert.Matches(
            "would make 7[0-9].?% of it clear; the base’s is clear in 7.?%",
            AlphaLost(APack.Of().With(Shelf, FormOn(White))).Message);

    [Fact]
    public void On_a_ground_of_many_colours_the_base_s_alpha_is_taken()
    {
        var pack = APack.Of().With(Shelf, Picture.Of(56, 56));
        Assert.IsType<TakeAlpha>(Assert.IsType<ShapePicture>(AlphaLost(pack).Fix).Steps[0]);
        var (tree, report) = Mend(pack, "image/alpha-lost");
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        var own = PngReader.Decode(SmallBase.Files[Shelf]).Rgba!;
        var mended = PngReader.Decode(tree.Find(PackPath.Parse(Shelf))!.ReadAll()).Rgba!;
        Assert.Equal(
            Enumerable.Range(0, 56 * 56).Select(i => own[(i * 4) + 3]),
            Enumerable.Range(0, 56 * 56).Select(i => mended[(i * 4) + 3]));
        // The colours are the pack's own still.
        Assert.Equal(
            PngReader.Decode(Picture.Of(56, 56).ToPng()).Rgba!.AsSpan(((28 * 56) + 28) * 4, 3),
            mended.AsSpan(((28 * 56) + 28) * 4, 3));
    }

    [Fact]
    public void It_says_more_than_that_the_border_is_not_clear()
    {
        var finding = APack.Of().With(Shelf, Picture.Of(56, 56)).Finding();
        Assert.Equal("image/alpha-lost", finding.Code.Value);
        Assert.Contains(finding.Predicts, p => p.Code == "plate");
    }

    [Fact]
    public void Where_the_host_wants_a_solid_picture_none_was_lost() =>
        Assert.DoesNotContain(
            APack.Of().With("art/surfaces/flagstone.png", Picture.Filled(64, 64, White)).Findings(),
            f => f.Code.Value == "image/alpha-lost");

    [Fact]
    public void The_base_s_own_bytes_are_only_unchanged() =>
        Assert.Equal(["pack/unchanged"], APack.Of().With(Shelf, SmallBase.Files[Shelf]).Findings().Select(f => f.Code.Value));

    [Fact]
    public void A_whole_copy_of_a_base_with_three_changed_files_comes_down_to_three()
    {
        var pack = SmallBase.Files.Where(f => !f.Key.StartsWith("codes/", StringComparison.Ordinal))
            .Aggregate(APack.Of(), (p, f) => p.With(f.Key, f.Value));
        string[] changed = ["art/surfaces/water.png", Shelf, "art/stalls/001.png"];
        pack = pack
            .With(changed[0], Picture.Filled(64, 64, new Pixel(9, 60, 99, 130)))
            .With(changed[1], Picture.Shelf())
            .With(changed[2], Picture.Of(96, 72));
        var slim = pack.Findings().Single(f => f.Code.Value == "pack/unchanged" && f.Path.Length == 0);
        var fix = Assert.IsType<SlimPack>(slim.Fix);
        Assert.DoesNotContain(fix.Paths, p => changed.Contains(p.Value));
        var (tree, _) = Mend(pack, "pack/unchanged");
        Assert.Equal(
            [.. changed.Append("firing.json").Order(StringComparer.Ordinal)],
            tree.Files.Select(f => f.Path.Value).Where(p => !p.StartsWith("tables/", StringComparison.Ordinal)));
    }

    [Fact]
    public void An_older_file_of_any_kind_is_a_roll_back()
    {
        var older = new Dictionary<string, byte[]>(
            SmallBase.FilesOf("3.1"))
        {
            ["art/surfaces/flagstone.surface.json"] = System.Text.Encoding.UTF8
                .GetBytes("""{ "made_of": "clay", "edge": "solid" }""")
        };
        var catalogue = Core.BaseFiles.BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Editions[1],
            FileTree.OfBytes(older.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var pack = APack.Of().With("art/surfaces/flagstone.surface.json", older["art/surfaces/flagstone.surface.json"]);
        var report = CheckReport.Make(Repository.Kilnmoor, null, e => e.Order == 1 ? catalogue : SmallBase.Of(e), pack.Tree);
        Assert.Equal("pack/rolled-back", Assert.Single(report.Findings).Code.Value);
    }

    [Fact]
    public void The_same_file_in_every_edition_is_no_roll_back() =>
        Assert.DoesNotContain(
            APack.Of().With("art/surfaces/flagstone.png", SmallBase.Files["art/surfaces/flagstone.png"]).Findings(),
            f => f.Code.Value == "pack/rolled-back");

    [Fact]
    public void A_mask_says_how_and_not_what_so_it_is_never_unlike_the_base() =>
        Assert.DoesNotContain(
            APack.Of().With("wares/milk_jug/mask.png", Picture.Filled(64, 64, new Pixel(0, 0, 0, 255))).Findings(),
            f => f.Code.Value == "image/unlike-base");
}
