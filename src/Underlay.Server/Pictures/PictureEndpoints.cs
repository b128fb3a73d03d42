using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Images.Steps;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Server.Files;
using Underlay.Server.Findings;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Pictures;

/// <summary>One side of a comparison.</summary>
internal sealed record PictureSide(string Hash, Size? Size, long Length, string? Problem);

/// <summary>A step: fit, enlarge, clear-border, cut-matte, take-alpha, harden-alpha, make-solid, spread-colour or grey, with what it needs.</summary>
/// <param name="Do">Which step.</param>
/// <param name="Width">For fit, pixels.</param>
/// <param name="Height">For fit, pixels.</param>
/// <param name="Mode">For fit: stretch, inside or fill.</param>
/// <param name="Exact">For fit: whether only colours of the source may appear.</param>
/// <param name="Factor">For enlarge, 2 to 16.</param>
/// <param name="Colour">For cut-matte: the ground’s colour, "#rrggbb"; without it, the colour of the source’s outer ring.</param>
internal sealed record StepView(string Do, int? Width = null, int? Height = null, string? Mode = null, bool? Exact = null, int? Factor = null, string? Colour = null);

/// <summary>A step with its words and the size that it leads to.</summary>
internal sealed record StepPlate(StepView Step, string Title, Size? Size);

/// <summary>A picture beside its base, what its place asks, and the steps that lead to it.</summary>
internal sealed record PictureView(
    long Revision,
    string Path,
    string Title,
    string Noun,
    string Place,
    string PlaceTitle,
    PictureSide? Base,
    PictureSide? Yours,
    IReadOnlyList<RuleSentence> Rules,
    IReadOnlyList<FindingView> Findings,
    PictureSide? Source,
    IReadOnlyList<StepPlate> Steps,
    Size? Wanted);

/// <summary>The steps that a picture is to have, in order.</summary>
internal sealed record StepsRequest(string Path, IReadOnlyList<StepView> Steps);

internal static class PictureEndpoints
{
    public static void MapPictures(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}/picture");
        pack.MapGet("", ViewAsync).WithName("viewPicture");
        pack.MapGet("/difference", DifferenceAsync).WithName("readDifference");
        pack.MapGet("/step", StepAsync).WithName("readStep");
        pack.MapPut("/steps", SetStepsAsync).WithName("setSteps");
        pack.MapPut("/source", RenewAsync).WithName("renewSource").Accepts<byte[]>("application/octet-stream").WithMetadata(new RequestSizeLimitAttribute(FactsReader.MostBytes));
    }

    private static async Task<PictureView> ViewAsync(Guid id, string path, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var overlay = snapshot.Overlay ?? throw new ProblemException(409, "wrapped", "One folder lies around the whole pack; unwrap it first, in Prove.");
        var yours = overlay.Pack.Placements.FirstOrDefault(p => p.Path == at);
        var under = overlay.Base.Find(at);
        var placement = yours ?? (under?.Place is { } place ? new Placement(at, place, under.Bindings, FromBase: true, under.Facts) : null) ?? throw ProblemException.NoFile(path);
        var (source, steps) = StepsOf(snapshot.Tree, at);
        return new PictureView(
            snapshot.Revision,
            path,
            LedgerEndpoints.TitleOf(placement.Place, placement.Bindings),
            placement.Place.Noun,
            placement.Place.Key,
            placement.Place.Title,
            under is null ? null : Side(under.Facts),
            yours is null ? null : Side(yours.Facts),
            RuleSentences.Of(overlay, placement),
            [.. snapshot.Report.Findings.Where(f => f.Path == path).Select(f => FindingEndpoints.View(snapshot, f))],
            source is null ? null : SideOf(source),
            steps,
            WantedSize(overlay, placement));
    }

    private static PictureSide Side(FileFacts facts) => new(facts.Hash.Hex, LedgerEndpoints.SizeOf(facts), facts.Length, facts.Picture?.Problem);

    private static PictureSide SideOf(byte[] png)
    {
        var described = SourceReader.Describe(png);
        return new PictureSide(ContentHash.Of(png).Hex, described is { Size: var size } ? new Size(size.Width, size.Height) : null, png.Length, described is null ? SourceReader.Read(png).Problem : null);
    }

    /// <summary>The size that the place asks for, nearest to what is there.</summary>
    private static Size? WantedSize(Overlay overlay, Placement placement)
    {
        var size = placement.Facts.Picture?.Header?.Size ?? new PixelSize(1, 1);
        var same = placement.Place.RulesOf<SameSizeRule>(overlay.Pack.Edition)
            .SelectMany(r => overlay.Targets(r.Places, placement.Bindings))
            .Select(p => overlay.Shown(p)?.Facts.Picture?.Header?.Size)
            .FirstOrDefault(s => s is not null);
        var wanted = same ?? placement.Place.RulesOf<SizeRule>(overlay.Pack.Edition).Select(r => (PixelSize?)r.Nearest(size)).FirstOrDefault();
        return wanted is { } found ? new Size(found.Width, found.Height) : null;
    }

    /// <summary>The source and the steps, where the picture is still what they made of it.</summary>
    private static (byte[]? Source, IReadOnlyList<StepPlate> Steps) StepsOf(FileTree tree, PackPath path)
    {
        if (Shaping.FindSteps(tree, path) is not { } known) return (null, []);
        var plates = new List<StepPlate>();
        var size = SourceReader.Describe(known.Source)?.Size;
        foreach (var step in known.Steps)
        {
            size = size is { } before ? step.SizeAfter(before) : null;
            plates.Add(new StepPlate(View(step), step.Title, size is { } s ? new Size(s.Width, s.Height) : null));
        }

        return (known.Source, plates);
    }

    private static async Task<FileContentHttpResult> DifferenceAsync(Guid id, string path, PackDesk desk, HttpResponse response, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var yours = Decode(snapshot.Tree.Find(at)?.ReadAll());
        var under = Decode(snapshot.Overlay?.Base.Read(at));
        if (yours is null || under is null) throw new ProblemException(409, "nothing-to-compare", "Both the base’s picture and yours are needed, and both have to be readable.");
        var (picture, share) = Difference.Of(under, yours);
        response.Headers["Underlay-Share"] = share.ToString("0.0000", CultureInfo.InvariantCulture);
        return FileEndpoints.Serve(PngWriter.Write(picture), "difference.png", false, response);
    }

    private static RgbaPicture? Decode(byte[]? bytes) => bytes is null ? null : SourceReader.Read(bytes).Picture;

    /// <summary>The picture after so many of its steps; 0 gives the source.</summary>
    private static async Task<FileContentHttpResult> StepAsync(Guid id, string path, int after, PackDesk desk, HttpResponse response, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        if (Shaping.FindSteps(snapshot.Tree, FileEndpoints.Parse(path)) is not { } known) throw ProblemException.NoFile(path);
        var (png, problem) = after <= 0 ? (known.Source, null) : Shaping.Run(known.Source, known.Steps.Take(after));
        return png is not null ? FileEndpoints.Serve(png, "step.png", false, response) : throw new ProblemException(409, "picture-unreadable", $"The picture cannot be read: {problem}.");
    }

    private static async Task<Changed> SetStepsAsync(Guid id, StepsRequest request, PackDesk desk, CancellationToken cancel)
    {
        var path = FileEndpoints.Parse(request.Path);
        var before = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var steps = request.Steps.Select(s => Read(before, path, s)).ToList();
        var what = steps.Count == 0 ? $"Take the steps off {path}" : $"{steps[^1].Title} ({path})";
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            if (snapshot.Tree.Find(path) is null) throw ProblemException.NoFile(request.Path);
            var result = Shaping.Set(snapshot.Tree, path, steps);
            return result.Problem is null ? result.Edits : throw new ProblemException(409, "picture-unreadable", $"The steps cannot run: {result.Problem}. Nothing was changed.") { Paths = [request.Path] };
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<Changed> RenewAsync(Guid id, string path, HttpRequest request, PackDesk desk, CancellationToken cancel)
    {
        var at = FileEndpoints.Parse(path);
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel).ConfigureAwait(false);
        var after = await desk.EditAsync(id, null, $"New source for {path}", snapshot =>
        {
            var result = Shaping.Renew(snapshot.Tree, at, body.ToArray());
            return result.Problem is null ? result.Edits : throw new ProblemException(422, "picture-unreadable", $"The new source cannot be used: {result.Problem}. Yours stays as it is.") { Paths = [path] };
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static StepView View(Step step) => step switch
    {
        FitToSize fit => new StepView("fit", fit.Size.Width, fit.Size.Height, StepsFile.WordOf(fit.Mode), fit.Exact, null),
        Enlarge enlarge => new StepView("enlarge", null, null, null, null, enlarge.Factor),
        CutMatte cut => new StepView("cut-matte", Colour: $"#{cut.R:x2}{cut.G:x2}{cut.B:x2}"),
        TakeAlpha => new StepView("take-alpha"),
        SpreadColour => new StepView("spread-colour"),
        HardenAlpha => new StepView("harden-alpha"),
        MakeSolid => new StepView("make-solid"),
        ToGrey => new StepView("grey"),
        _ => new StepView("clear-border"),
    };

    private static Step Read(PackSnapshot snapshot, PackPath path, StepView step) => step.Do switch
    {
        "grey" => new ToGrey(),
        "harden-alpha" => new HardenAlpha(),
        "make-solid" => new MakeSolid(),
        "spread-colour" => new SpreadColour(),
        "take-alpha" => Decode(snapshot.Overlay?.Base.Read(path)) is { } own ? new TakeAlpha(own) : throw ProblemException.Unsound("The base has no picture here whose alpha could be taken."),
        "cut-matte" when step.Colour is null => Decode((Shaping.FindSteps(snapshot.Tree, path)?.Source) ?? snapshot.Tree.Find(path)?.ReadAll()) is { } source && Matte.Find(source) is { } ground
            ? new CutMatte(ground.R, ground.G, ground.B)
            : throw ProblemException.Unsound("The picture’s outer ring has no one colour that could be cut away."),
        "cut-matte" when step.Colour is ['#', .. { Length: 6 } hex] && int.TryParse(hex, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var rgb) => new CutMatte((byte)(rgb >> 16), (byte)(rgb >> 8), (byte)rgb),
        "fit" when step is { Width: >= 1 and <= PngReader.MaxSide, Height: >= 1 and <= PngReader.MaxSide } && StepsFile.ModeOf(step.Mode ?? "stretch") is { } mode =>
            new FitToSize(new PixelSize(step.Width.Value, step.Height.Value), mode, step.Exact ?? false),
        "enlarge" when step.Factor is >= 2 and <= 16 => new Enlarge(step.Factor.Value),
        "clear-border" => new ClearBorder(),
        _ => throw ProblemException.Unsound($"The step “{step.Do}” cannot be read: fit needs a width and a height from 1 to {PngReader.MaxSide}, enlarge a factor from 2 to 16."),
    };
}
