using Underlay.Core.Findings;
namespace Underlay.Core.Tests.Checks;

/// <summary>What is told is so, and stands where it is to be mended.</summary>
public class TrueWordsTests
{
    private static Finding The(APack pack, string code) => pack.Findings().Single(f => f.Code.Value == code);

    [Fact]
    public void Without_anything_a_pack_is_empty()
    {
        Assert.Equal(Severity.Blocker, The(APack.Of(), "pack/empty").Severity);
        Assert.Equal(Severity.Blocker, The(APack.Of().With("read me.txt", "x"), "pack/empty").Severity);
    }

    [Fact]
    public void A_clone_that_keeps_the_base_s_stall_is_told_at_the_author_s_file_whichever_path_comes_first()
    {
        foreach (var name in new[] { "a_jug", "z_jug" })
        {
            var pack = APack.Of()
                .WithWare(name)
                .With(
                    $"wares/{name}/ware.json",
                    $$"""{ "id": "saltbrook.{{name}}", "shape": "jug", "made_of": "clay", "price": 4, "stall": "001" }""");
            var finding = The(pack, "entry/twice");
            Assert.Equal($"wares/{name}/ware.json", finding.Path);
            Assert.NotNull(finding.Fix);
        }
    }

    [Fact]
    public void An_id_of_another_kind_is_told_as_what_it_is()
    {
        var pack = APack.Of()
            .WithWare("tide_jug")
            .With(
                "wares/tide_jug/ware.json",
                """{ "id": "saltbrook.tide_jug", "shape": "jug", "made_of": "clay", "price": 4, "glaze": "moor.soup_bowl" }""");
        Assert.Contains("which is not the id of a glaze", The(pack, "entry/dangling").Message, StringComparison.Ordinal);
        Assert.Contains("It is that of a ware entry.", The(pack, "entry/dangling").Message, StringComparison.Ordinal);
    }

    /// <summary>A lid that comes with the ware it is like is told as taken over.</summary>
    [Fact]
    public void What_is_taken_over_and_not_seen_is_told_at_the_heir()
    {
        var pack = APack.Of()
            .WithWare("tide_jug")
            .With(
                "wares/tide_jug/ware.json",
                """{ "id": "saltbrook.tide_jug", "shape": "jug", "made_of": "clay", "price": 4, "lid": "moor.milk_jug" }""")
            .WithWare("tide_slab")
            .With("wares/tide_slab/ware.json", """{ "id": "saltbrook.tide_slab", "like": "saltbrook.tide_jug", "shape": "slab" }""");
        var finding = Assert.Single(pack.Findings(), f => f.Code.Value == "entry/seen-nowhere" && f.Path == "wares/tide_slab/ware.json");
        Assert.Contains("“lid”, which it takes over, is not seen on “slab”", finding.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("\"stall\": \"040\"", "/stall")]
    [InlineData("\"ember\": 0.5", "")]
    public void A_ware_that_speaks_of_a_picture_that_is_not_there_is_a_warning(string field, string about)
    {
        var pack = APack.Of()
            .WithWare("tide_jug")
            .With(
                "wares/tide_jug/ware.json",
                $$"""{ "id": "saltbrook.tide_jug", "shape": "jug", "made_of": "clay", "price": 4, {{field}} }""");
        var finding = Assert.Single(
            pack.Findings(),
            f => f.Severity == Severity.Warning && f.Path == "wares/tide_jug/ware.json" && f.Pointer == about);
        Assert.Empty(finding.Predicts);
    }

    [Fact]
    public void A_JPEG_under_a_PNG_s_name_is_told_as_such_first()
    {
        using var image = new ImageMagick.MagickImage(Picture.Of(64, 64).ToPng());
        var finding = APack.Of().With("art/surfaces/flagstone.png", image.ToByteArray(ImageMagick.MagickFormat.Jpeg)).Finding();
        Assert.Equal("image/unreadable", finding.Code.Value);
        Assert.Contains("JPEG", finding.Message, StringComparison.Ordinal);
        Assert.Equal("Save it anew as PNG", finding.Fix!.Title);
    }

    [Fact]
    public void A_missing_field_is_told_at_the_entry_and_not_at_a_line()
    {
        var finding = APack.Of()
            .With(
                "wares/milk_jug/ware.json",
                "{\n\n \"id\": \"moor.milk_jug\", \"shape\": \"jug\", \"made_of\": \"clay\", \"stall\": \"001\" }")
            .Findings()
            .First(f => f.Code.Value == "entry/rejected");
        Assert.Null(finding.At);
        Assert.Contains("“price” is missing", finding.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_row_whose_code_is_another_bird_s_than_its_file_says_is_a_warning()
    {
        var guide = AGuide.Of()
            .With("plates/bronze_brackling.png", Picture.Of(320, 300))
            .WithContents(("asbra", "adult", "plates/bronze_brackling.png"));
        var finding = guide.Findings().Single(f => f.Code.Value == "index/other-name");
        Assert.Equal(Severity.Warning, finding.Severity);
        Assert.Contains("Bronze Brackling", finding.Message, StringComparison.Ordinal);
        Assert.DoesNotContain(
            AGuide.Of()
                .With("plates/ashen_brackling.png", Picture.Of(320, 300))
                .WithContents(("asbra", "adult", "plates/ashen_brackling.png"))
                .Findings(),
            f => f.Code.Value == "index/other-name");
    }

    [Fact]
    public void An_unknown_plumage_names_the_near_one()
    {
        var finding = AGuide.Of()
            .With("plates/a.png", Picture.Of(320, 300))
            .WithContents(("asbra", "yung", "plates/a.png"))
            .Findings()
            .First(f => f.Path.StartsWith("contents.xml", StringComparison.Ordinal));
        Assert.Contains("young", finding.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("author", "saltbrook.x")]
    [InlineData("Tove", "author.x")]
    public void An_author_who_is_called_author_is_a_placeholder(string by, string id) =>
        Assert.Contains(
            APack.Of()
                .With(
                    "firing.json",
                    $$"""{ "id": "{{id}}", "version": "1.0.0", "title": "T", "by": "{{by}}", "reads": { "from": "4.0", "to": "4.0" } }""")
                .Findings(),
            f => f.Code.Value == "manifest/unnamed-author");

    [Fact]
    public void A_fit_says_what_it_cuts_and_cuts_least()
    {
        var finding = APack.Of()
            .With("art/scenes/quay.png", Picture.Of(300, 300))
            .Findings()
            .Single(f => f.Code.Value == "image/wrong-size");
        Assert.Matches("cut|margin|add", finding.Fix!.Title);
        var same = APack.Of().With("art/scenes/quay.png", Picture.Of(528, 300)).Findings().Single(f => f.Code.Value == "image/wrong-size");
        Assert.Equal("Fit to 264 x 150", same.Fix!.Title);
    }

    [Fact]
    public void A_member_s_numbers_are_in_order_of_size()
    {
        var finding = APack.Of()
            .With("art/boards/oak/128.png", Picture.Of(128, 48).WithClearRing())
            .Findings()
            .First(f => f.Code.Value == "set/incomplete");
        var named = finding.Parts
            .Select(p => p.Path)
            .Prepend(finding.Path)
            .Distinct()
            .Where(p => p.StartsWith("art/boards/oak/", StringComparison.Ordinal))
            .ToList();
        Assert.Equal(["art/boards/oak/64.png", "art/boards/oak/96.png", "art/boards/oak/192.png"], named);
    }

    [Fact]
    public void An_edge_that_lies_off_says_where_it_lies_and_where_it_should()
    {
        Pixel Field(int x, int shift) =>
            Array.FindIndex([96, 306, 438, 752, 884, 1094, 1190], edge => x < edge + shift) % 2 == 0
                ? new Pixel(200, 60, 40, 255)
                : new Pixel(40, 90, 160, 255);
        var exact = APack.Of().With("art/friezes/year.png", new Picture(1190, 150, (x, _) => Field(x, 0)));
        Assert.DoesNotContain(exact.Findings(), f => f.Code.Value is "image/crosses-field" or "image/edge-off");
        var shifted = APack.Of().With("art/friezes/year.png", new Picture(1190, 150, (x, _) => Field(x, 2)));
        Assert.Contains(
            shifted.Findings(),
            f => f.Message.Contains("98", StringComparison.Ordinal) && f.Message.Contains("96", StringComparison.Ordinal));
    }
}
