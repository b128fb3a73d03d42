using Underlay.Core.Findings;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using static Underlay.Core.Tests.Fixes.Fixing;

namespace Underlay.Core.Tests.Fixes;

/// <summary>Pictures of another format, depth or alpha than the host reads are saved anew, and the author's own is kept.</summary>
public class SaveAsTests
{
    private const string Foam = "art/surfaces/saltbrook_foam.png";

    private static byte[] File(FileTree tree, string path) => tree.Find(PackPath.Parse(path))!.ReadAll();

    /// <summary>An uncompressed TGA of 32 bits a pixel: blue, green, red, alpha, rows from the top.</summary>
    private static byte[] Tga(int width, int height, Pixel pixel)
    {
        var file = new byte[18 + (width * height * 4)];
        (file[2], file[12], file[14], file[16], file[17]) = (2, (byte)width, (byte)height, 32, 0x28);
        for (var i = 18; i < file.Length; i += 4) (file[i], file[i + 1], file[i + 2], file[i + 3]) = (pixel.B, pixel.G, pixel.R, pixel.A);
        return file;
    }

    /// <summary>A PNG of 16 bits a channel.</summary>
    private static byte[] Deep()
    {
        var parts = new PngParts();
        parts.Add("IHDR", [0, 0, 0, 64, 0, 0, 0, 64, 16, 2, 0, 0, 0]);
        var row = new byte[1 + (64 * 6)];
        for (var i = 1; i < row.Length; i += 2) row[i] = 90;
        parts.Add("IDAT", Picture.Deflate([.. Enumerable.Repeat(row, 64).SelectMany(r => r)]));
        parts.Add("IEND", []);
        return parts.ToBytes();
    }

    [Fact]
    public void A_picture_of_another_format_under_a_PNG_s_name_becomes_one()
    {
        var tga = Tga(64, 64, new Pixel(10, 120, 200, 255));
        var pack = APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)).With(Foam, tga);
        Assert.Equal(("image/unreadable", "Save it anew as PNG"), (pack.Finding().Code.Value, pack.Finding().Fix!.Title));
        Assert.Empty(Run(pack).Applied);
        var (tree, _, _, report) = Run(pack, "image/unreadable");
        Assert.Empty(report.Findings);
        Assert.Equal([10, 120, 200, 255], PngReader.Decode(File(tree, Foam)).Rgba![..4]);
        Assert.Equal(tga, File(tree, $".underlay/sources/{Foam}"));
    }

    [Fact]
    public void Sixteen_bits_a_channel_become_eight()
    {
        var pack = APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)).With(Foam, Deep());
        var (tree, _, _, report) = Run(pack, "image/unreadable");
        Assert.Empty(report.Findings);
        Assert.Equal([90, 90, 90, 255], PngReader.Decode(File(tree, Foam)).Rgba![..4]);
    }

    [Fact]
    public void A_damaged_picture_is_not_guessed_at()
    {
        var png = Picture.Of(64, 64).ToPng();
        Assert.Null(APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)).With(Foam, png[..(png.Length / 2)]).Finding().Fix);
        Assert.Null(APack.Of().WithSurface("saltbrook_foam", Picture.Of(64, 64)).With(Foam, "hello").Finding().Fix);
    }

    [Fact]
    public void A_picture_of_another_format_beside_its_place_is_saved_there()
    {
        var pack = APack.Of().With("art/surfaces/flagstone.tga", Tga(64, 64, new Pixel(100, 120, 100, 255)));
        Assert.Equal("Save it as flagstone.png", pack.Finding().Fix!.Title);
        var (tree, _, _, _) = Run(pack, "path/near-miss");
        Assert.Equal([100, 120, 100, 255], PngReader.Decode(File(tree, "art/surfaces/flagstone.png")).Rgba![..4]);
        Assert.Null(tree.Find(PackPath.Parse("art/surfaces/flagstone.tga")));
        Assert.NotNull(tree.Find(PackPath.Parse(".underlay/sources/art/surfaces/flagstone.tga")));
    }

    [Fact]
    public void Nothing_that_lies_at_its_place_already_is_replaced()
    {
        var pack = APack.Of()
            .With("art/surfaces/flagstone.png", Picture.Of(64, 64))
            .With("art/surfaces/flagstone.tga", Tga(64, 64, default));
        Assert.Null(pack.Findings().Single(f => f.Path == "art/surfaces/flagstone.tga").Fix);
    }

    [Fact]
    public void A_DDS_with_a_slip_in_its_name_is_only_renamed()
    {
        var dds = Dds.Of(64, 64);
        var pack = APack.Of().With("wares/milk_jug/skin.DDS", dds);
        Assert.Equal("Rename to wares/milk_jug/skin.dds", pack.Findings().Single(f => f.Code.Value == "path/near-miss").Fix!.Title);
        Assert.Equal(dds, File(Run(pack).Tree, "wares/milk_jug/skin.dds"));
    }

    [Fact]
    public void A_DDS_with_mip_levels_is_saved_without()
    {
        var pack = APack.Of().With("wares/milk_jug/skin.dds", [.. Dds.Of(64, 64, mips: 2), .. new byte[2048]]);
        Assert.Contains(
            "without mip levels",
            pack.Findings().Single(f => f.Code.Value == "image/unreadable").Message,
            StringComparison.Ordinal);
        var (tree, _, _, report) = Run(pack, "image/unreadable");
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        Assert.True(DdsReader.Inspect(File(tree, "wares/milk_jug/skin.dds"), PixelNeed.None).IsReadable);
    }

    [Theory]
    [InlineData("art/surfaces/flagstone.png", 200, 255)]
    [InlineData("art/surfaces/flagstone.png", 0, 255)]
    [InlineData("art/surfaces/fence.png", 200, 255)]
    [InlineData("art/surfaces/fence.png", 100, 0)]
    public void Alpha_that_the_edge_does_not_allow_is_made_solid_or_clear(string path, byte alpha, byte after)
    {
        var (tree, _, _, report) = Run(APack.Of().With(path, Picture.Of(64, 64).With(9, 9, new Pixel(45, 27, 90, alpha))), "image/alpha");
        Assert.DoesNotContain(report.Findings, f => f.Severity == Severity.Blocker);
        Assert.Equal([45, 27, 90, after], PngReader.Decode(File(tree, path)).Rgba!.AsSpan(((9 * 64) + 9) * 4, 4).ToArray());
    }
}
