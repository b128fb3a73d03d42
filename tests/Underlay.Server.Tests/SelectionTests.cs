using System.Net;
using Underlay.Core.Formats.Png;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>What is done to several files is one change: all of it or nothing, and taken back as one.</summary>
public class SelectionTests(RunningServer server)
{
    private static readonly string[] Surfaces = ["art/surfaces/setts_dark.png", "art/surfaces/quartz.png"];

    private async Task<TestPack> WithSurfacesAsync(int side)
    {
        var pack = await server.NewPackAsync();
        foreach (var path in Surfaces) await pack.PutFileAsync(path, Picture.Of(side, side).ToPng());
        return pack;
    }

    [Fact]
    public async Task Several_files_are_taken_out_as_one_and_come_back_as_one()
    {
        var pack = await WithSurfacesAsync(64);
        await pack.PostAsync("removals", new { files = Surfaces.Select(path => new { path }) });
        foreach (var path in Surfaces) Assert.Null(await pack.FileAsync(path));
        await pack.PostAsync("undo", new { });
        foreach (var path in Surfaces) Assert.NotNull(await pack.FileAsync(path));
    }

    [Fact]
    public async Task Where_one_file_is_another_than_was_seen_none_is_taken_out()
    {
        var pack = await WithSurfacesAsync(64);
        var files = new object[] { new { path = Surfaces[0] }, new { path = Surfaces[1], hash = new string('0', 64) } };
        var (status, type, detail) = await TestPack.ProblemAsync(await pack.TryPostAsync("removals", new { files }));
        Assert.Equal((HttpStatusCode.PreconditionFailed, "/problems/stale"), (status, type));
        Assert.StartsWith(Surfaces[1], detail, StringComparison.Ordinal);
        foreach (var path in Surfaces) Assert.NotNull(await pack.FileAsync(path));
    }

    [Fact]
    public async Task One_reason_waives_several_findings()
    {
        var pack = await WithSurfacesAsync(96);
        var findings = Surfaces.Select(path => new { code = "image/not-power-of-two", path, pointer = "", discriminator = "" }).ToList();
        await pack.PostAsync("waivers", new { findings, reason = "Drawn so" });
        var found = (await pack.GetAsync("findings")).GetProperty("rows").EnumerateArray();
        Assert.Equal(
            ["Drawn so", "Drawn so"],
            found
                .Where(f => f.GetProperty("name").GetProperty("code").GetString() == "image/not-power-of-two")
                .Select(f => f.GetProperty("waived").GetString()));
        await pack.PostAsync("undo", new { });
        Assert.Equal(2, (await pack.FindingsAsync()).Count(f => f.StartsWith("image/not-power-of-two", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task Nothing_to_waive_is_said()
    {
        var pack = await WithSurfacesAsync(96);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await pack.TryPostAsync("waivers", new { findings = Array.Empty<object>(), reason = "x" })).StatusCode);
    }

    [Fact]
    public async Task Pictures_are_shaped_alike_by_what_fits_all_of_them()
    {
        var pack = await WithSurfacesAsync(96);
        var titles = (await pack.PostAsync("pictures/offers", new { paths = Surfaces }))
            .GetProperty("titles")
            .EnumerateArray()
            .Select(t => t.GetString()!)
            .ToList();
        Assert.Contains("Make it grey", titles);
        await pack.PostAsync("pictures/steps", new { paths = Surfaces, title = "Make it grey" });
        foreach (var path in Surfaces)
        {
            var pixels = PngReader.Decode((await pack.FileAsync(path))!).Rgba!;
            Assert.Equal((pixels[0], pixels[0]), (pixels[1], pixels[2]));
        }

        await pack.PostAsync("undo", new { });
        foreach (var path in Surfaces) Assert.Equal(Picture.Of(96, 96).ToPng(), await pack.FileAsync(path));
    }

    [Fact]
    public async Task A_step_that_fits_not_all_of_them_changes_none()
    {
        var pack = await WithSurfacesAsync(96);
        await pack.PutFileAsync(Surfaces[1], Picture.Of(96, 96).ToPng()[..60]);
        var (status, _, _) = await TestPack.ProblemAsync(
            await pack.TryPostAsync("pictures/steps", new { paths = Surfaces, title = "Fit to 64 x 64" }));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Equal(Picture.Of(96, 96).ToPng(), await pack.FileAsync(Surfaces[0]));
    }
}
