using ImageMagick;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Placements;
using Underlay.Core.Steps;
using Pixel = Underlay.Testing.Pixel;

namespace Underlay.Core.Tests.Placements;

/// <summary>Files move to their places in the format that is read there; what the author got out and gives back is recognised.</summary>
public class PlacingTests
{
    private static readonly PackPath Surface = PackPath.Parse("art/surfaces/flagstone.png");
    private static readonly PackPath Given = PackPath.Parse(".underlay/tray/given.png");

    private static byte[] As(Picture picture, MagickFormat format)
    {
        using var image = new MagickImage(picture.ToPng());
        return image.ToByteArray(format);
    }

    private static FileTree Place(FileTree tree, byte[] bytes, out PlacingResult result, string at = "art/surfaces/flagstone.png")
    {
        var dropped = tree.With([new TreeEdit.Write(Given, bytes)]);
        result = Placing.Place(Repository.Kilnmoor, Repository.Kilnmoor.Newest, dropped, Given, PackPath.Parse(at));
        Assert.Null(result.Problem);
        return dropped.With(result.Edits);
    }

    /// <summary>A pack whose flagstone is enlarged from 64 to 128.</summary>
    private static FileTree Enlarged()
    {
        var tree = APack.Of().With(Surface.Value, Picture.Of(64, 64)).Tree;
        return tree.With(Shaping.Add(tree, Surface, new Enlarge(2)).Edits);
    }

    private static PixelSize SizeOf(FileTree tree) => PngReader.Inspect(tree.Find(Surface)!.ReadAll(), PixelNeed.None).Header!.Size;

    [Theory]
    [InlineData(MagickFormat.Bmp)]
    [InlineData(MagickFormat.Tga)]
    [InlineData(MagickFormat.Dds)]
    [InlineData(MagickFormat.WebP)]
    public void A_picture_of_another_format_becomes_a_PNG_and_the_file_is_kept_as_source(MagickFormat format)
    {
        var bytes = As(Picture.Of(64, 64), format);
        var tree = Place(APack.Of().Tree, bytes, out _);
        Assert.True(PngReader.Inspect(tree.Find(Surface)!.ReadAll(), PixelNeed.None).IsReadable);
        Assert.Equal(bytes, tree.Find(ReservedFolder.SourceOf(Surface))!.ReadAll());
        Assert.Null(tree.Find(Given));
    }

    [Theory]
    [InlineData(MagickFormat.Bmp)]
    [InlineData(MagickFormat.Tga)]
    public void A_new_source_of_another_format_is_converted_where_there_are_no_steps_too(MagickFormat format)
    {
        var tree = APack.Of().With(Surface.Value, Picture.Of(64, 64)).Tree;
        var renewed = Shaping.Renew(tree, Surface, As(Picture.Of(128, 128), format));
        Assert.Null(renewed.Problem);
        Assert.Equal(new PixelSize(128, 128), SizeOf(tree.With(renewed.Edits)));
    }

    [Fact]
    public void A_result_that_was_drawn_on_is_taken_as_it_is_and_not_run_through_the_steps_again()
    {
        var tree = Enlarged();
        var drawn = SourceReader.Read(tree.Find(Surface)!.ReadAll()).Picture!;
        for (var i = 0; i < 400; i++) drawn.Rgba[i] = 200;
        var bytes = PngWriter.Write(drawn);
        var after = Place(tree, bytes, out var result);
        Assert.True(result.IsResult);
        Assert.Equal(bytes, after.Find(Surface)!.ReadAll());
        // And once more: what came back before comes back again.
        drawn.Rgba[4000] = 9;
        Assert.Equal(new PixelSize(128, 128), SizeOf(Place(after, PngWriter.Write(drawn), out _)));
    }

    [Fact]
    public void A_new_source_of_the_old_source_s_size_runs_through_the_steps()
    {
        var after = Place(Enlarged(), Picture.Filled(64, 64, new Pixel(1, 2, 3, 255)).ToPng(), out var result);
        Assert.False(result.IsResult);
        Assert.Equal(new PixelSize(128, 128), SizeOf(after));
        Assert.Equal([1, 2, 3, 255], SourceReader.Read(after.Find(Surface)!.ReadAll()).Picture!.At(100, 100).ToArray());
    }

    [Fact]
    public void Where_steps_keep_the_size_the_pixels_tell_a_result_from_a_source()
    {
        var source = Picture.Of(56, 56);
        var path = PackPath.Parse("wares/milk_jug/shelf.png");
        var tree = APack.Of().With(path.Value, source).Tree;
        tree = tree.With(Shaping.Add(tree, path, new ClearBorder()).Edits);
        var result = tree.Find(path)!.ReadAll();
        Assert.True(ReturnedResult.Is(tree, path, result));
        Assert.False(ReturnedResult.Is(tree, path, source.ToPng()));
        Assert.False(ReturnedResult.Is(tree, path, source.With(20, 20, new Pixel(255, 255, 255, 255)).ToPng()));
    }

    [Fact]
    public void A_step_that_is_unknown_is_kept_and_nothing_is_run_on_its_picture()
    {
        const string Steps = """
            {
              "source": "SOURCE",
              "steps": [ { "do": "enlarge", "factor": 2 }, { "do": "dream", "depth": 3 } ],
              "result": "RESULT"
            }
            """;
        var tree = Enlarged();
        var known = StepsFile.Read(tree, Surface)!;
        tree = tree.With(
            [
                new TreeEdit.Write(
                    StepsFile.PathOf(Surface),
                    System.Text.Encoding.UTF8.GetBytes(
                        Steps.Replace("SOURCE", known.Source.Hex, StringComparison.Ordinal)
                            .Replace("RESULT", known.Result.Hex, StringComparison.Ordinal))),
            ]);
        var read = StepsFile.Read(tree, Surface)!;
        Assert.Contains("dream", Assert.IsType<UnknownStep>(read.Steps[1]).Title, StringComparison.Ordinal);
        var renewed = Shaping.Renew(tree, Surface, Picture.Of(64, 64).ToPng());
        Assert.Empty(renewed.Edits);
        Assert.Contains("dream", renewed.Problem, StringComparison.Ordinal);
        // Written again, it stands there as it stood.
        Assert.Contains(
            "\"depth\": 3",
            System.Text.Encoding.UTF8.GetString(new StepsFile(read.Source, read.Steps, read.Result).WriteFor(Surface).Bytes.Span),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_sound_is_not_placed_at_a_picture_s_path()
    {
        byte[] sound = [.. "RIFF"u8, 0, 0, 0, 0, .. "WAVE"u8, 0, 0, 0, 0];
        var tree = APack.Of().With(Given.Value, sound).Tree;
        var result = Placing.Place(Repository.Kilnmoor, Repository.Kilnmoor.Newest, tree, Given, PackPath.Parse("x.png"));
        Assert.Empty(result.Edits);
        Assert.Equal("it is a WAV sound, and x.png is a picture.", result.Problem);
    }

    [Fact]
    public void Every_saved_copy_has_a_name_that_leads_back()
    {
        string Copy(string path) => CopyNames.Of(Repository.Kilnmoor, Repository.Kilnmoor.Newest, PackPath.Parse(path));
        Assert.Equal("tea_cup_skin.png", Copy("wares/tea_cup/skin.png"));
        Assert.Equal("quay_noon.png", Copy("art/awnings/quay/noon.png"));
        Assert.Equal("updraught_01.png", Copy("art/flames/updraught/01.png"));
        Assert.Equal("flagstone.png", Copy("art/surfaces/flagstone.png"));
        Assert.Equal("soup_bowl_embers.png", Copy("art/embers/wares/soup_bowl.png"));
        Assert.Equal("firing.json", Copy("firing.json"));
    }
}
