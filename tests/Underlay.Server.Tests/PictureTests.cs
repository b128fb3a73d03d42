using System.Net;
using System.Net.Http.Json;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Testing;

namespace Underlay.Server.Tests;

public class PictureTests(RunningServer server)
{
    private const string Path = "art/surfaces/setts_dark.png";

    private static readonly object Fit = new { @do = "fit", width = 64, height = 64, mode = "stretch" };

    private static Task<HttpResponseMessage> StepsAsync(TestPack pack, params object[] steps) =>
        pack.Http.PutAsync($"/api/packs/{pack.Id}/picture/steps", JsonContent.Create(new { path = Path, steps }));

    private static async Task<PixelSize> SizeAsync(TestPack pack) =>
        PngReader.Inspect(await pack.FileAsync(Path), PixelNeed.None).Header!.Size;

    [Fact]
    public async Task Steps_run_from_the_source_and_without_any_the_source_is_back()
    {
        var pack = await server.NewPackAsync();
        var source = Picture.Of(96, 96).ToPng();
        await pack.PutFileAsync(Path, source);
        await TestPack.ReadAsync(await StepsAsync(pack, Fit));
        Assert.Equal(new PixelSize(64, 64), await SizeAsync(pack));
        await TestPack.ReadAsync(await StepsAsync(pack, Fit, new { @do = "enlarge", factor = 2 }));
        Assert.Equal(new PixelSize(128, 128), await SizeAsync(pack));
        var view = await pack.GetAsync($"picture?path={Path}");
        Assert.Equal(
            ["Fit to 64 x 64", "Enlarge by 2"],
            view.GetProperty("steps").EnumerateArray().Select(s => s.GetProperty("title").GetString()));
        var plate = await pack.Http.GetByteArrayAsync($"/api/packs/{pack.Id}/picture/step?path={Path}&after=1");
        Assert.Equal(new PixelSize(64, 64), PngReader.Inspect(plate, PixelNeed.None).Header!.Size);
        await TestPack.ReadAsync(await StepsAsync(pack));
        Assert.Equal(source, await pack.FileAsync(Path));
        Assert.Empty((await pack.GetAsync($"picture?path={Path}")).GetProperty("steps").EnumerateArray());
    }

    public static TheoryData<string, string> PlainSteps => new()
    {
        { "clear-border", "Clear the outer ring" },
        { "take-alpha", "Take the base’s alpha" },
        { "harden-alpha", "Make every pixel solid or clear" },
        { "lay-on-picture", "Lay it over the base’s picture" },
        { "fewer-shades", "Keep 32 shades a channel" },
        { "spread-colour", "Spread colours under clear pixels" },
        { "grey", "Make it grey" },
    };

    [Theory]
    [MemberData(nameof(PlainSteps))]
    public async Task A_step_is_set_shown_and_read_back(string step, string title)
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Path, Picture.Of(64, 64).With(9, 9, new Pixel(1, 2, 3, 100)).ToPng());
        await TestPack.ReadAsync(await StepsAsync(pack, new { @do = step, bits = 5 }, Fit));
        var steps = (await pack.GetAsync($"picture?path={Path}")).GetProperty("steps").EnumerateArray().ToList();
        Assert.Equal([title, "Fit to 64 x 64"], steps.Select(s => s.GetProperty("title").GetString()));
        Assert.Equal(step, steps[0].GetProperty("step").GetProperty("do").GetString());
    }

    [Fact]
    public async Task A_ground_is_found_in_the_picture_or_given()
    {
        var pack = await server.NewPackAsync();
        var form = Picture.Filled(64, 64, new Pixel(255, 0, 255, 255)) with
        {
            At = (x, y) => x is > 20 and < 44 && y is > 20 and < 44 ? new Pixel(20, 90, 40, 255) : new Pixel(255, 0, 255, 255),
        };
        await pack.PutFileAsync(Path, form.ToPng());
        await TestPack.ReadAsync(await StepsAsync(pack, new { @do = "cut-matte" }));
        Assert.Equal(
            "Cut the ground #ff00ff away",
            (await pack.GetAsync($"picture?path={Path}")).GetProperty("steps")[0].GetProperty("title").GetString());
        var cut = PngReader.Decode(await pack.FileAsync(Path)).Rgba!;
        Assert.Equal((0, 255), (cut[3], cut[(((32 * 64) + 32) * 4) + 3]));
        await TestPack.ReadAsync(await StepsAsync(pack, new { @do = "cut-matte", colour = "#145a28" }));
        Assert.Equal(255, PngReader.Decode(await pack.FileAsync(Path)).Rgba![3]);
    }

    [Theory]
    [InlineData("blur", null)]
    [InlineData("cut-matte", "#12")]
    [InlineData("cut-matte", "red")]
    [InlineData("fit", null)]
    [InlineData("enlarge", null)]
    public async Task A_step_that_cannot_be_read_is_refused_and_nothing_changes(string step, string? colour)
    {
        var pack = await server.NewPackAsync();
        var source = Picture.Of(64, 64).ToPng();
        await pack.PutFileAsync(Path, source);
        var (status, type, _) = await TestPack.ProblemAsync(await StepsAsync(pack, new { @do = step, colour }));
        Assert.Equal((HttpStatusCode.BadRequest, "/problems/unsound-request"), (status, type));
        Assert.Equal(source, await pack.FileAsync(Path));
    }

    [Fact]
    public async Task A_new_source_runs_the_same_steps_and_a_broken_one_changes_nothing()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Path, Picture.Of(96, 96).ToPng());
        await TestPack.ReadAsync(await StepsAsync(pack, Fit));
        await TestPack.ReadAsync(
            await pack.Http.PutAsync(
                $"/api/packs/{pack.Id}/picture/source?path={Path}",
                new ByteArrayContent(Picture.Of(200, 100).ToPng())));
        Assert.Equal(new PixelSize(64, 64), await SizeAsync(pack));
        var before = await pack.FileAsync(Path);
        var (status, _, detail) = await TestPack.ProblemAsync(
            await pack.Http.PutAsync($"/api/packs/{pack.Id}/picture/source?path={Path}", new ByteArrayContent([1, 2, 3])));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("Yours stays as it is", detail, StringComparison.Ordinal);
        Assert.Equal(before, await pack.FileAsync(Path));
    }

    [Fact]
    public async Task Steps_that_would_make_a_picture_too_large_are_refused_before_a_pixel_is_made()
    {
        var pack = await server.NewPackAsync();
        var source = Picture.Of(512, 512).ToPng();
        await pack.PutFileAsync(Path, source);
        var answer = await StepsAsync(pack, new { @do = "enlarge", factor = 16 });
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await StepsAsync(pack, new { @do = "enlarge", factor = 400 })).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await StepsAsync(pack, new { @do = "melt" })).StatusCode);
        Assert.Equal(source, await pack.FileAsync(Path));
    }

    [Fact]
    public async Task Rules_are_told_with_what_the_picture_measures()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("wares/water_jug/shelf.png", Picture.Of(58, 56).ToPng());
        var rules = (await pack.GetAsync("picture?path=wares/water_jug/shelf.png")).GetProperty("rules").EnumerateArray().ToList();
        Assert.Contains(
            rules,
            r =>
                (
                    r.GetProperty("wanted").GetString(),
                    r.GetProperty("measured").GetString(),
                    r.GetProperty("holds").GetBoolean()) == ("56 x 56", "58 x 56", false));
        Assert.Contains(
            rules,
            r => r.GetProperty("wanted").GetString() == "ware.json beside it" && r.GetProperty("measured").GetString() == "in the base");
    }

    [Fact]
    public async Task The_difference_is_black_where_base_and_yours_agree()
    {
        var pack = await server.NewPackAsync();
        await pack.PostAsync("bring", new { paths = new[] { Path } });
        async Task<(double Share, byte[] Rgba)> DifferAsync()
        {
            var answer = await pack.Http.GetAsync($"/api/packs/{pack.Id}/picture/difference?path={Path}");
            return (
                double.Parse(answer.Headers.GetValues("Underlay-Share").First(), System.Globalization.CultureInfo.InvariantCulture),
                PngReader.Decode(await answer.Content.ReadAsByteArrayAsync()).Rgba!);
        }

        var same = await DifferAsync();
        Assert.Equal(0, same.Share);
        Assert.All(same.Rgba.Chunk(4), p => Assert.Equal([0, 0, 0, 255], p));
        await pack.PutFileAsync(Path, Picture.Of(256, 256).ToPng());
        Assert.True((await DifferAsync()).Share > 0.5);
    }

    [Fact]
    public async Task Files_are_served_so_that_a_browser_runs_nothing_of_them()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("evil.html", "<script>alert(1)</script>");
        var answer = await pack.Http.GetAsync($"/api/packs/{pack.Id}/file?path=evil.html");
        Assert.Equal("application/octet-stream", answer.Content.Headers.ContentType!.MediaType);
        Assert.Equal("attachment", answer.Content.Headers.ContentDisposition!.DispositionType);
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").First());
    }

    private static Task<HttpResponseMessage> SourceAsync(TestPack pack, byte[] bytes, string rest = "") =>
        pack.Http.PutAsync($"/api/packs/{pack.Id}/picture/source?path={Path}{rest}", new ByteArrayContent(bytes));

    [Fact]
    public async Task A_result_that_comes_back_is_taken_as_it_is_unless_the_author_says_otherwise()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Path, Picture.Of(64, 64).ToPng());
        await TestPack.ReadAsync(await StepsAsync(pack, new { @do = "enlarge", factor = 2 }));
        var drawn = SourceReader.Read(await pack.FileAsync(Path)).Picture!;
        for (var i = 0; i < 200; i++) drawn.Rgba[i] = 1;
        var bytes = PngWriter.Write(drawn);
        await TestPack.ReadAsync(await SourceAsync(pack, bytes));
        Assert.Equal(bytes, await pack.FileAsync(Path));
        await pack.PostAsync("undo", new { });
        await TestPack.ReadAsync(await SourceAsync(pack, bytes, "&as=source"));
        Assert.Equal(new PixelSize(256, 256), await SizeAsync(pack));
    }

    [Theory]
    [InlineData(ImageMagick.MagickFormat.Bmp)]
    [InlineData(ImageMagick.MagickFormat.Tga)]
    [InlineData(ImageMagick.MagickFormat.Dds)]
    public async Task A_new_source_of_another_format_becomes_a_PNG(ImageMagick.MagickFormat format)
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Path, Picture.Of(64, 64).ToPng());
        using var image = new ImageMagick.MagickImage(Picture.Of(128, 128).ToPng());
        await TestPack.ReadAsync(await SourceAsync(pack, image.ToByteArray(format)));
        Assert.Equal(new PixelSize(128, 128), await SizeAsync(pack));
    }

    [Fact]
    public async Task A_step_that_is_unknown_is_shown_and_kept_and_nothing_is_run_after_it()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync(Path, Picture.Of(64, 64).ToPng());
        await TestPack.ReadAsync(await StepsAsync(pack, new { @do = "enlarge", factor = 2 }));
        const string File = $".underlay/steps/{Path}.json";
        var text = System.Text.Encoding.UTF8.GetString((await pack.FileAsync(File))!);
        await pack.PutFileAsync(File, System.Text.RegularExpressions.Regex.Replace(text, "\"enlarge\"", "\"dream\""));
        var step = Assert.Single((await pack.GetAsync($"picture?path={Path}")).GetProperty("steps").EnumerateArray());
        Assert.Contains("dream", step.GetProperty("title").GetString(), StringComparison.Ordinal);
        var refused = await SourceAsync(pack, Picture.Of(32, 32).ToPng());
        Assert.False(refused.IsSuccessStatusCode);
        Assert.Contains("dream", (await TestPack.ProblemAsync(refused)).Detail, StringComparison.Ordinal);
        Assert.Contains("dream", System.Text.Encoding.UTF8.GetString((await pack.FileAsync(File))!), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_saved_copy_has_a_name_that_leads_back()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("wares/tea_cup/skin.png", Picture.Of(64, 64).ToPng());
        var answer = await pack.Http.GetAsync($"/api/packs/{pack.Id}/file?path=wares/tea_cup/skin.png&copy=true");
        Assert.Equal(
            "tea_cup_skin.png",
            answer.Content.Headers.ContentDisposition?.FileNameStar ?? answer.Content.Headers.ContentDisposition?.FileName?.Trim('"'));
    }
}
