using Underlay.Core.Findings;
namespace Underlay.Core.Tests.Checks;

/// <summary>What meets in the host, what runs over an edge, what lies behind a frame, what is too fine to read.</summary>
public class NeighboursAndEdgesTests
{
    private static readonly Pixel Bright = new(250, 250, 250, 255);

    private static IEnumerable<Finding> Of(APack pack, string code) => pack.Findings().Where(f => f.Code.Value == code);

    private static APack Surface(string name, Picture picture) => APack.Of().With($"art/surfaces/{name}.png", picture);

    private static Picture Frieze(Func<int, int, Pixel> at) => new(1190, 150, at);

    private static Picture Scene(Func<int, int, bool> detail) =>
        new(264, 150, (x, y) => detail(x, y) && (x + y) % 2 == 0 ? Bright : new Pixel(90, 80, 70, 255));

    private static Picture Seal(int stroke, byte ink = 250) =>
        new Picture(
            120,
            44,
            (x, y) =>
                x is > 20 and < 100 && y is > 10 and < 34 && x % 12 < stroke
                    ? new Pixel(ink, ink, ink, 255)
                    : new Pixel(40, 50, 60, 255)).WithClearRing();

    private static APack WithSeal(Picture seal) =>
        APack.Of().With("tables/seals.csv", "code,do\nsaltbrook_tide,add\n").With("art/seals/saltbrook_tide.png", seal);

    [Fact]
    public void A_hard_step_to_the_base_s_neighbour_is_told_with_how_much_harder_it_is()
    {
        var finding = Of(Surface("flagstone", Picture.Filled(64, 64, Bright)), "image/neighbour-step").Single();
        Assert.Contains("It meets art/surfaces/fence.png", finding.Message, StringComparison.Ordinal);
        Assert.Matches("is [0-9.]+ times what it was in the base", finding.Message);
        Assert.Equal(Severity.Note, finding.Severity);
    }

    [Fact]
    public void Neighbours_that_changed_alike_go_together() =>
        Assert.Empty(
            Of(
                Surface("flagstone", Picture.Filled(64, 64, Bright)).With(
                    "art/surfaces/fence.png",
                    Picture.Filled(64, 64, Bright).With(3, 3, default)),
                "image/neighbour-step"));

    [Fact]
    public void Of_two_that_changed_apart_the_pair_is_told_once() =>
        Assert.Single(
            Of(
                Surface("flagstone", Picture.Filled(64, 64, Bright)).With(
                    "art/surfaces/fence.png",
                    Picture.Filled(64, 64, new Pixel(5, 5, 5, 255)).With(3, 3, default)),
                "image/neighbour-step"));

    [Fact]
    public void One_that_was_enlarged_beside_one_that_was_not_is_told()
    {
        var larger = new Picture(128, 128, (x, y) => Picture.Of(64, 64).At(x / 2, y / 2));
        Assert.Contains(
            "enlarged to 128 x 128, that one is still 64 x 64",
            Of(Surface("flagstone", larger), "image/neighbour-step").Single().Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_surface_that_meets_none_may_look_as_it_likes() =>
        Assert.Empty(Of(Surface("water", Picture.Filled(64, 64, new Pixel(250, 250, 250, 130))), "image/neighbour-step"));

    [Theory]
    [InlineData(90, 120, "96")]
    [InlineData(300, 445, "306, 438")]
    [InlineData(0, 1190, "96, 306, 438, 752, 884, 1094")]
    public void A_band_over_edges_is_told_at_each_of_them(int from, int to, string columns)
    {
        var pack = APack.Of()
            .With(
                "art/friezes/year.png",
                Frieze((x, y) => y is > 60 and < 90 && x >= from && x < to ? new Pixel(230, 60, 80, 255) : new Pixel(90, 80, 70, 255)));
        Assert.Contains($"at column {columns}:", Of(pack, "image/crosses-field").Single().Message, StringComparison.Ordinal);
    }

    [Fact]
    public void What_stays_inside_its_field_is_sound() =>
        Assert.Empty(
            Of(
                APack.Of()
                    .With(
                        "art/friezes/year.png",
                        Frieze(
                            (x, y) =>
                                y is > 60 and < 90 && x is > 100 and < 300 ? new Pixel(230, 60, 80, 255) : new Pixel(90, 80, 70, 255))),
                "image/crosses-field"));

    [Fact]
    public void What_crosses_in_the_base_too_may_cross()
    {
        var own = Frieze((x, y) => y is > 60 and < 90 ? new Pixel(230, 60, 80, 255) : new Pixel(90, 80, 70, 255));
        var files = new Dictionary<string, byte[]>(SmallBase.Files) { ["art/friezes/year.png"] = own.ToPng() };
        var catalogue = Core.BaseFiles.BaseCatalogue.Read(
            Repository.Kilnmoor,
            Repository.Kilnmoor.Newest,
            FileTree.OfBytes(files.Select(f => KeyValuePair.Create(PackPath.Parse(f.Key), f.Value))));
        var pack = APack.Of().With("art/friezes/year.png", own.With(500, 20, Bright));
        Assert.DoesNotContain(
            CheckReport.Make(Repository.Kilnmoor, null, e => e.Order == 2 ? catalogue : SmallBase.Of(e), pack.Tree).Findings,
            f => f.Code.Value == "image/crosses-field");
    }

    [Fact]
    public void Detail_that_the_frame_hides_is_told_and_detail_inside_is_not()
    {
        Assert.Single(Of(APack.Of().With("art/scenes/quay.png", Scene((x, y) => y < 40 && x is < 40 or > 224)), "image/outside-frame"));
        Assert.Empty(Of(APack.Of().With("art/scenes/quay.png", Scene((x, y) => y > 60 && x is > 80 and < 180)), "image/outside-frame"));
    }

    [Fact]
    public void Strokes_and_contrast_of_letters_are_measured()
    {
        Assert.Empty(Of(WithSeal(Seal(4)), "image/fine-lettering"));
        Assert.Contains(
            "strokes of its lettering are about",
            Of(WithSeal(Seal(1)), "image/fine-lettering").Single().Message,
            StringComparison.Ordinal);
        Assert.Contains(
            "The contrast of its lettering is",
            Of(WithSeal(Seal(4, ink: 90)), "image/fine-lettering").Single().Message,
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_seal_that_is_not_changed_is_not_judged_again() =>
        Assert.Empty(Of(APack.Of().With("wares/milk_jug/shelf.png", Picture.Shelf()), "image/fine-lettering"));

    [Fact]
    public void A_motif_that_recurs_over_every_edge_is_a_pattern_and_not_told()
    {
        // Arches that are alike: the foot of each meets that of the next at every edge.
        int[] edges = [0, 96, 306, 438, 752, 884, 1094, 1190];
        bool IsFoot(int x) => edges.Any(e => x >= e - 14 && x < e + 14);
        var arches = Frieze((x, y) => y is > 60 and < 90 && IsFoot(x) ? new Pixel(230, 60, 80, 255) : new Pixel(90, 80, 70, 255));
        Assert.Empty(Of(APack.Of().With("art/friezes/year.png", arches), "image/crosses-field"));
    }

    [Fact]
    public void Another_hue_among_earth_colours_is_a_step_too()
    {
        var green = Of(Surface("flagstone", Picture.Filled(64, 64, new Pixel(20, 90, 30, 255))), "image/neighbour-step");
        Assert.NotEmpty(green);
    }
}
