using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Underlay.Core.BaseFiles;
using Underlay.Core.Checks;
using Underlay.Core.Formats;
using Underlay.Core.Images;
using Underlay.Core.Offers;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;
using Underlay.Server.Files;
using Underlay.Server.Findings;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Pictures;

internal static class PictureEndpoints
{
    public static void MapPictures(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}/picture");
        pack.MapGet("", ViewAsync).WithName("viewPicture");
        pack.MapGet("/difference", DifferenceAsync).WithName("readDifference");
        pack.MapGet("/step", StepAsync).WithName("readStep");
        pack.MapPut("/steps", SetStepsAsync).WithName("setSteps");
        pack
            .MapPut("/source", RenewAsync)
            .WithName("renewSource")
            .AcceptsOneFile();
    }

    private static async Task<PictureView> ViewAsync(Guid id, string path, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var overlay = snapshot.NeedOverlay();
        var yours = overlay.Pack.Placements.FirstOrDefault(p => p.Path == at);
        var under = overlay.OfBase(at);
        var placement = yours ?? under ?? throw ProblemException.NoFile(path);
        var like = under is null ? MadeLike.Of(overlay, at) : null;
        var source = yours is null ? null : Shaping.FindSteps(snapshot.Tree, at)?.Source;
        return new PictureView(
            snapshot.Revision,
            path,
            LedgerEndpoints.TitleOf(placement.Place, placement.Bindings),
            placement.Place.Noun,
            placement.Place.Key,
            placement.Place.Title,
            StandsFor.Of(overlay, at),
            under is null ? null : Side(under.Facts),
            like is null ? null : new LikeSide(like.Path.Value, !like.Layer.IsBase, Side(like.Facts)),
            yours is null ? null : Side(yours.Facts),
            RuleSentences.Of(overlay, placement, snapshot.Report.Findings),
            [.. snapshot.Report.Findings.Where(f => f.IsAbout(path)).Select(f => FindingView.Of(snapshot, f))],
            source is null ? null : SideOf(source),
            PlatesOf(snapshot.Tree, at),
            StepPlates.ProblemOf(snapshot.Tree, at),
            yours is null ? [] : [.. StepOffers.For(overlay, yours).Select(o => new StepOfferView(o.Title, o.Step.ToJson()))],
            StepKindView.OfAll(StepKinds.OfPictures));
    }

    private static PictureSide Side(FileFacts facts) =>
        new(facts.Hash.Hex, LedgerEndpoints.SizeOf(facts), facts.Length, facts.Picture?.Problem);

    private static PictureSide SideOf(byte[] bytes)
    {
        var described = SourceReader.Describe(bytes);
        return new PictureSide(
            ContentHash.Of(bytes).Hex,
            described is { Size: var size } ? new Size(size.Width, size.Height) : null,
            bytes.Length,
            described is null ? SourceReader.Read(bytes).Problem : null);
    }

    /// <summary>The steps, where the picture is still what they made of its source.</summary>
    private static List<StepPlate> PlatesOf(FileTree tree, PackPath path)
    {
        if (Shaping.FindSteps(tree, path) is not { } known) return [];
        var plates = new List<StepPlate>();
        var size = SourceReader.Describe(known.Source)?.Size;
        foreach (var step in known.Steps)
        {
            var shapes = step as PictureStep;
            var title = size is { } from && shapes is not null ? shapes.TitleFor(from) : step.Title;
            size = size is { } before ? shapes?.SizeAfter(before) : null;
            plates.Add(new StepPlate(step.ToJson(), title, size is { } s ? new Size(s.Width, s.Height) : null, step is not UnknownStep));
        }

        return plates;
    }

    private static async Task<FileContentHttpResult> DifferenceAsync(
        Guid id,
        string path,
        PackService packs,
        HttpResponse response,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var at = FileEndpoints.Parse(path);
        var yours = Decode(snapshot.Tree.Find(at)?.ReadAll());
        var under = Decode(snapshot.Overlay is { } overlay ? Under(overlay, at) : null);
        if (yours is null || under is null)
            throw new ProblemException(
                409,
                "nothing-to-compare",
                "Yours and the picture that it is compared with are needed, and both have to be readable.");
        var (picture, share) = Difference.Of(under, yours);
        response.Headers["Underlay-Share"] = share.ToString("0.0000", CultureInfo.InvariantCulture);
        return FileEndpoints.Serve(FileFormats.Png.Encode(picture), "difference.png", false, response);
    }

    /// <summary>What the pack's picture is compared with: the base's, else the one that it was made like.</summary>
    private static byte[]? Under(Overlay overlay, PackPath at) =>
        overlay.Base.Read(at) ?? (MadeLike.Of(overlay, at) is { } like ? overlay.Read(like) : null);

    private static RgbaPicture? Decode(byte[]? bytes) => bytes is null ? null : SourceReader.Read(bytes).Picture;

    /// <summary>The picture after so many of its steps; 0 gives the source.</summary>
    private static async Task<FileContentHttpResult> StepAsync(
        Guid id,
        string path,
        int after,
        PackService packs,
        HttpResponse response,
        CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        if (Shaping.FindSteps(snapshot.Tree, FileEndpoints.Parse(path)) is not { } known) throw ProblemException.NoFile(path);
        var (png, problem) = after <= 0 ? (known.Source, null) : Shaping.Run(known.Source, known.Steps.Take(after), FileFormats.Png);
        return png is not null
            ? FileEndpoints.Serve(png, "step.png", false, response)
            : throw new ProblemException(409, "picture-unreadable", $"The picture cannot be read: {problem}.");
    }

    private static async Task<Changed> SetStepsAsync(Guid id, StepsRequest request, PackService packs, CancellationToken cancel)
    {
        var path = FileEndpoints.Parse(request.Path);
        var before = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var steps = request.Steps.Select(s => StepPlates.Read(before, path, s, ContextOf(before, path))).ToList();
        var what = steps.Count == 0 ? $"Take the steps off {path}" : $"{steps[^1].Title} ({path})";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            if (snapshot.Tree.Find(path) is null) throw ProblemException.NoFile(request.Path);
            var result = Shaping.Set(snapshot.Tree, path, steps);
            return result.Problem is null
                ? result.Edits
                : throw new ProblemException(
                    409,
                    "picture-unreadable",
                    $"The steps cannot run: {result.Problem}. Nothing was changed.")
                { Paths = [request.Path] };
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static StepContext ContextOf(PackSnapshot snapshot, PackPath path) => new(
        hash => StepsFile.FindKept(snapshot.Tree, hash),
        () => Decode(snapshot.Overlay?.Base.Read(path)),
        () => Decode(Shaping.FindSteps(snapshot.Tree, path)?.Source ?? snapshot.Tree.Find(path)?.ReadAll()));

    /// <param name="as">How it is taken: "source", "result", or by what it looks like.</param>
    private static async Task<SourceTaken> RenewAsync(
        Guid id,
        string path,
        [FromQuery] string? @as,
        HttpRequest request,
        PackService packs,
        CancellationToken cancel)
    {
        var at = FileEndpoints.Parse(path);
        var given = await OneFile.ReadAsync(request, cancel).ConfigureAwait(false);
        var asResult = false;
        var after = await packs.EditAsync(id, null, $"New source for {path}", snapshot =>
        {
            asResult = @as == "result" || (@as != "source" && ReturnedResult.Is(snapshot.Tree, at, given));
            var result = asResult ? ReturnedResult.Take(snapshot.Tree, at, given) : Shaping.Renew(snapshot.Tree, at, given);
            return result.Problem is null
                ? result.Edits
                : throw new ProblemException(
                    422,
                    "picture-unreadable",
                    $"The new source cannot be used: {result.Problem}. Yours stays as it is.")
                { Paths = [path] };
        }, cancel).ConfigureAwait(false);
        return new SourceTaken(after.Revision, asResult);
    }
}
