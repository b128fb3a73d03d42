using CsCheck;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Images;

public class ShapingTests
{
    private static readonly PackPath Shelf = PackPath.Parse("wares/milk_jug/shelf.png");

    private static readonly Gen<RgbaPicture> AnyPicture =
        from width in Gen.Int[1, 24]
        from height in Gen.Int[1, 24]
        from bytes in Gen.Byte.Array[width * height * 4]
        select new RgbaPicture(new PixelSize(width, height), bytes);

    private static FileTree With(FileTree tree, ShapingResult result)
    {
        Assert.Null(result.Problem);
        return tree.With(result.Edits);
    }

    private static PixelSize SizeOf(FileTree tree, PackPath path) =>
        PngReader.Inspect(tree.Find(path)!.ReadAll(), PixelNeed.None).Header!.Size;

    [Fact]
    public void Pixels_are_written_and_read_back_with_their_colours_under_clear_alpha() =>
        AnyPicture.Sample(picture => Assert.Equal(picture.Rgba, PngReader.Decode(PngWriter.Write(picture)).Rgba));

    [Fact]
    public void Resampling_to_the_same_size_changes_nothing() =>
        AnyPicture.Sample(picture =>
        {
            Assert.Equal(picture.Rgba, Resampler.Nearest(picture, picture.Size).Rgba);
            Assert.Equal(picture.Rgba, Resampler.ByArea(picture, picture.Size).Rgba);
        });

    [Fact]
    public void Enlarging_by_a_whole_factor_and_reducing_again_gives_the_picture_back() =>
        Gen.Select(AnyPicture, Gen.Int[2, 5]).Sample((picture, factor) =>
        {
            var large = new Enlarge(factor).Run(picture);
            Assert.Equal(new PixelSize(picture.Size.Width * factor, picture.Size.Height * factor), large.Size);
            Assert.Equal(picture.Rgba, Resampler.Nearest(large, picture.Size).Rgba);
            Assert.Equal(picture.Rgba, Resampler.ByArea(large, picture.Size).Rgba);
        });

    [Fact]
    public void Averages_stay_within_what_was_there_and_clear_pixels_do_not_bleed() =>
        Gen.Select(Gen.Int[1, 20], Gen.Int[1, 20], Gen.Int[1, 30], Gen.Int[1, 30], Gen.Byte).Sample(
            (width, height, toWidth, toHeight, red) =>
        {
            // Solid red beside clear green: no green may show in a pixel that is seen.
            var picture = RgbaPicture.Clear(new PixelSize(width, height));
            for (var y = 0; y < height; y++)
                for (var x = 0; x < width; x++) ((byte[])(x % 2 == 0 ? [red, 0, 0, 255] : [0, 255, 0, 0])).CopyTo(picture.At(x, y));
            var result = Resampler.ByArea(picture, new PixelSize(toWidth, toHeight));
            for (var y = 0; y < toHeight; y++)
                for (var x = 0; x < toWidth; x++)
                    if (result.At(x, y)[3] > 0) Assert.Equal((red, 0), (result.At(x, y)[0], result.At(x, y)[1]));
        });

    [Fact]
    public void Fitting_always_gives_the_size_asked_for() =>
        Gen.Select(
            AnyPicture,
            Gen.Int[1, 40],
            Gen.Int[1, 40],
            Gen.OneOfConst(FitMode.Stretch, FitMode.Inside, FitMode.Fill),
            Gen.Bool).Sample((picture, width, height, mode, exact) =>
            Assert.Equal(new PixelSize(width, height), new FitToSize(new PixelSize(width, height), mode, exact).Run(picture).Size));

    [Fact]
    public void Exact_fitting_brings_no_new_colour() =>
        Gen.Select(AnyPicture, Gen.Int[1, 40], Gen.Int[1, 40]).Sample((picture, width, height) =>
        {
            var colours = picture.Rgba.Chunk(4).Select(c => BitConverter.ToUInt32(c)).ToHashSet();
            Assert.All(
                Resampler.Nearest(picture, new PixelSize(width, height)).Rgba.Chunk(4),
                c => Assert.Contains(BitConverter.ToUInt32(c), colours));
        });

    [Fact]
    public void Clearing_the_ring_clears_it_and_nothing_else() =>
        AnyPicture.Sample(picture =>
        {
            var result = new ClearBorder().Run(picture);
            for (var y = 0; y < picture.Size.Height; y++)
                for (var x = 0; x < picture.Size.Width; x++)
                {
                    var ring = x == 0 || y == 0 || x == picture.Size.Width - 1 || y == picture.Size.Height - 1;
                    Assert.Equal(picture.At(x, y)[..3], result.At(x, y)[..3]);
                    Assert.Equal(ring ? 0 : picture.At(x, y)[3], result.At(x, y)[3]);
                }
        });

    [Fact]
    public void A_step_keeps_the_source_and_a_second_runs_from_it_again()
    {
        var source = Picture.Of(48, 48).ToPng();
        var tree = APack.Of().With(Shelf.Value, source).Tree;
        tree = With(tree, Shaping.Add(tree, Shelf, new FitToSize(new PixelSize(56, 56), FitMode.Stretch, false)));
        tree = With(tree, Shaping.Add(tree, Shelf, new ClearBorder()));
        Assert.Equal(source, tree.Find(ReservedFolder.SourceOf(Shelf))!.ReadAll());
        Assert.Equal(["Fit to 56 x 56", "Clear the outer ring"], StepsFile.Read(tree, Shelf)!.Steps.Select(s => s.Title));
        Assert.Equal(0, PngReader.Inspect(tree.Find(Shelf)!.ReadAll(), PixelNeed.Alpha).Pixels!.UnclearBorderPixels);
        Assert.Equal(Shaping.Run(source, StepsFile.Read(tree, Shelf)!.Steps, FileFormats.Png).Bytes, tree.Find(Shelf)!.ReadAll());
    }

    [Fact]
    public void A_new_source_runs_the_same_steps_and_the_old_one_is_kept_aside()
    {
        var old = Picture.Of(48, 48).ToPng();
        var tree = APack.Of().With(Shelf.Value, old).Tree;
        tree = With(tree, Shaping.Add(tree, Shelf, new FitToSize(new PixelSize(56, 56), FitMode.Stretch, false)));
        var renewed = Picture.Of(112, 112).ToPng();
        tree = With(tree, Shaping.Renew(tree, Shelf, renewed));
        Assert.Equal(new PixelSize(56, 56), SizeOf(tree, Shelf));
        Assert.Equal(renewed, tree.Find(ReservedFolder.SourceOf(Shelf))!.ReadAll());
        Assert.Contains(tree.Files, f => f.Path.IsBelow(".underlay/sources") && f.ReadAll().SequenceEqual(old));
    }

    [Fact]
    public void A_picture_that_was_replaced_by_hand_is_a_new_source()
    {
        var tree = APack.Of().With(Shelf.Value, Picture.Of(48, 48)).Tree;
        tree = With(tree, Shaping.Add(tree, Shelf, new Enlarge(2)));
        var byHand = Picture.Of(20, 20).ToPng();
        tree = tree.With([new TreeEdit.Write(Shelf, byHand)]);
        tree = With(tree, Shaping.Add(tree, Shelf, new Enlarge(3)));
        Assert.Equal(new PixelSize(60, 60), SizeOf(tree, Shelf));
        Assert.Equal(byHand, tree.Find(ReservedFolder.SourceOf(Shelf))!.ReadAll());
    }

    [Fact]
    public void What_cannot_be_shaped_is_told_and_nothing_is_changed()
    {
        var broken = APack.Of().With(Shelf.Value, "no picture").Tree;
        Assert.Contains("it is no PNG, DDS", Shaping.Add(broken, Shelf, new ClearBorder()).Problem, StringComparison.Ordinal);
        var large = APack.Of().With(Shelf.Value, Picture.Filled(2049, 1, default)).Tree;
        var result = Shaping.Add(large, Shelf, new Enlarge(2));
        Assert.Contains("at most 4096", result.Problem, StringComparison.Ordinal);
        Assert.Empty(result.Edits);
    }

    [Fact]
    public void Steps_come_back_from_their_file_as_they_were()
    {
        Step[] steps =
        [
            new FitToSize(new PixelSize(3, 4), FitMode.Inside, true),
            new ClearBorder(),
            new Enlarge(2),
            new FitToSize(new PixelSize(9, 9), FitMode.Fill, false),
        ];
        var file = new StepsFile(ContentHash.Of([1]), steps, ContentHash.Of([2]));
        var read = StepsFile.Read(FileTree.Empty.With([file.WriteFor(Shelf)]), Shelf)!;
        Assert.Equal((file.Source, file.Result), (read.Source, read.Result));
        Assert.Equal(steps, read.Steps);
    }

    [Theory]
    [InlineData("{")]
    [InlineData("""{ "source": "x", "steps": [], "result": "y" }""")]
    public void Steps_that_cannot_be_read_are_as_if_there_were_none(string text) =>
        Assert.Null(StepsFile.Read(APack.Of().With(StepsFile.PathOf(Shelf).Value, text).Tree, Shelf));

    [Theory]
    [InlineData("""{ "do": "enlarge", "factor": 100000 }""")]
    [InlineData("""{ "do": "dream", "of": [ "a", { "wide": true } ] }""")]
    public void A_step_that_is_not_known_is_kept_as_it_stands_and_nothing_runs_from_it_on(string unknown)
    {
        var tree = APack.Of().With(Shelf.Value, Picture.Of(20, 20)).Tree;
        tree = tree.With(Shaping.Add(tree, Shelf, new Enlarge(2)).Edits);
        var file = System.Text.Encoding.UTF8.GetString(tree.Find(StepsFile.PathOf(Shelf))!.ReadAll());
        tree = tree.With(
            [
                new TreeEdit.Write(
                    StepsFile.PathOf(Shelf),
                    System.Text.Encoding.UTF8.GetBytes(file.Replace("\"steps\": [", $"\"steps\": [ {unknown},", StringComparison.Ordinal))),
            ]);
        var read = StepsFile.Read(tree, Shelf)!;
        Assert.True(System.Text.Json.Nodes.JsonNode.DeepEquals(System.Text.Json.Nodes.JsonNode.Parse(unknown), read.Unknown!.ToJson()));
        Assert.Equal(2, read.Steps.Count);
        // Neither a new source nor another step runs past it, and the file of steps stays as it is.
        Assert.NotNull(Shaping.Renew(tree, Shelf, Picture.Of(9, 9).ToPng()).Problem);
        var more = Shaping.Add(tree, Shelf, new ClearBorder());
        Assert.Contains("does not know", more.Problem, StringComparison.Ordinal);
        Assert.Empty(more.Edits);
        // Taken off, the others run again.
        Assert.Null(Shaping.Set(tree, Shelf, [.. read.Steps.Where(s => s is not UnknownStep)]).Problem);
    }

    [Fact]
    public void A_step_says_the_size_that_it_makes() =>
        Gen.Select(AnyPicture, Gen.Int[1, 30], Gen.Int[1, 30], Gen.Int[0, 2], Gen.Bool).Sample((picture, width, height, mode, exact) =>
        {
            foreach (
                var step in (PictureStep[])
                [
                    new FitToSize(new PixelSize(width, height), (FitMode)mode, exact), new ClearBorder(), new Enlarge(3),
                ])
                Assert.Equal(step.SizeAfter(picture.Size), step.Run(picture).Size);
        });

    [Fact]
    public void Filling_from_a_sliver_takes_no_more_memory_than_the_result_needs()
    {
        var sliver = RgbaPicture.Clear(new PixelSize(1, 4096));
        var before = GC.GetAllocatedBytesForCurrentThread();
        Assert.Equal(new PixelSize(512, 512), new FitToSize(new PixelSize(512, 512), FitMode.Fill, Exact: false).Run(sliver).Size);
        Assert.InRange(GC.GetAllocatedBytesForCurrentThread() - before, 0, 64L << 20);
    }

    [Fact]
    public void Setting_steps_is_the_same_as_adding_them_and_without_any_the_source_is_back() =>
        Gen.Select(AnyPicture, Gen.Int[1, 20], Gen.Int[1, 20]).Sample((picture, width, height) =>
        {
            var source = PngWriter.Write(picture);
            var tree = FileTree.OfBytes([KeyValuePair.Create(Shelf, source)]);
            Step[] steps = [new FitToSize(new PixelSize(width, height), FitMode.Inside, false), new ClearBorder()];
            var set = With(tree, Shaping.Set(tree, Shelf, steps));
            var added = With(tree, Shaping.Add(tree, Shelf, steps));
            Assert.Equal(added.Find(Shelf)!.ReadAll(), set.Find(Shelf)!.ReadAll());
            Assert.Equal(steps, Shaping.FindSteps(set, Shelf)!.Value.Steps);

            var turned = With(set, Shaping.Set(set, Shelf, [.. steps.Reverse()]));
            Assert.Equal(source, Shaping.FindSteps(turned, Shelf)!.Value.Source);
            var back = With(turned, Shaping.Set(turned, Shelf, []));
            Assert.Equal(source, back.Find(Shelf)!.ReadAll());
            Assert.Single(back.Files);
        });
}
