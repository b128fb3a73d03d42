using Underlay.Core.Images;
using Underlay.Core.Images.Steps;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Tray;

/// <summary>A path at which a file of the tray may belong.</summary>
internal sealed record Candidate(string Target, string Place, string Title, string Noun, double Confidence, string Reason, bool Replaces);

/// <summary>A file that was dropped in and is not yet placed.</summary>
/// <param name="File">Its path in the tray.</param>
/// <param name="Path">Its path in the pack.</param>
/// <param name="Hash">Of its bytes.</param>
/// <param name="Length">Bytes.</param>
/// <param name="IsSure">Whether the first candidate can be accepted without looking.</param>
/// <param name="Candidates">Likeliest first.</param>
internal sealed record TrayRow(string File, string Path, string Hash, bool IsPicture, long Length, bool IsSure, IReadOnlyList<Candidate> Candidates);

/// <summary>All files of the tray.</summary>
internal sealed record TrayView(long Revision, int Sure, IReadOnlyList<TrayRow> Rows);

/// <summary>What came of a drop.</summary>
internal sealed record DropResult(long Revision, int Taken, IReadOnlyList<Refused> Refused);

/// <summary>A file of the tray and the path that it is to get.</summary>
internal sealed record PlaceRequest(string File, string Target);

/// <summary>Files to place: those named, or all of which the tray is sure.</summary>
internal sealed record PlacementsRequest(IReadOnlyList<PlaceRequest>? Files = null, bool AllSure = false);

/// <summary>What was placed.</summary>
internal sealed record PlacementsResult(long Revision, int Placed, IReadOnlyList<Refused> Left);

/// <summary>Files of the tray to throw away.</summary>
internal sealed record DiscardRequest(IReadOnlyList<string> Files);

internal static class TrayEndpoints
{
    public static void MapTray(this IEndpointRouteBuilder app)
    {
        var tray = app.MapGroup("/api/packs/{id:guid}/tray");
        tray.MapGet("", ViewAsync).WithName("viewTray");
        tray.MapPost("", DropAsync).WithName("dropFiles").WithMetadata(UploadReader.Limit).AcceptsUpload();
        tray.MapPost("/placements", PlaceAsync).WithName("placeFiles");
        tray.MapPost("/discards", DiscardAsync).WithName("discardFiles");
    }

    public static PackPath PathOf(string file) => FileEndpoints.Parse($"{ReservedFolder.Tray}/{file}");

    private static string FileOf(PackPath path) => path.Value[(ReservedFolder.Tray.Length + 1)..];

    private static async Task<TrayView> ViewAsync(Guid id, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var advice = snapshot.Advise();
        return new TrayView(snapshot.Revision, Sure(advice).Count, [.. advice.Select(a => Row(a, snapshot))]);
    }

    private static TrayRow Row(PlacementAdvice advice, PackSnapshot snapshot) => new(
        FileOf(advice.File.Path),
        advice.File.Path.Value,
        PackSnapshot.HashOf(advice.File),
        SourceReader.FormatOf(advice.File.ReadStart(64)) is not null,
        advice.File.Length,
        advice.IsSure,
        [.. advice.Candidates.Select(c => new Candidate(c.Target.Value, c.Place.Key, LedgerEndpoints.TitleOf(c.Place, c.Place.Pattern?.Match(c.Target) ?? Core.Hosts.Bindings.None), c.Place.Noun, c.Confidence, c.Reason, snapshot.Tree.Find(c.Target) is not null))]);

    /// <summary>Those that are sure, one for each path: of two that are sure of the same path neither is.</summary>
    private static List<PlacementAdvice> Sure(IReadOnlyList<PlacementAdvice> advice) =>
        [.. advice.Where(a => a.IsSure).GroupBy(a => a.Candidates[0].Target).Where(g => g.Count() == 1).Select(g => g.First())];

    private static async Task<DropResult> DropAsync(Guid id, HttpRequest request, PackDesk desk, CancellationToken cancel)
    {
        await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var upload = await UploadReader.ReadAsync(request, cancel).ConfigureAwait(false);
        var opened = Core.Placements.Tray.Open(FileTree.OfBytes(upload.Files.DistinctBy(f => f.Path).Select(f => KeyValuePair.Create(f.Path, f.Bytes))), ArchiveLimits.Standard);
        var refused = upload.Refused
            .Concat(opened.Files.Refused.Select(Refused.Of))
            .Concat(opened.Refused.Select(r => new Refused(r.Path.Value, $"{r.Path.FileName} was refused whole: {r.Problem.Says}")))
            .ToList();
        var taken = 0;
        var what = opened.Files.Files.Count == 1 ? $"Drop {opened.Files.Files[0].Path.FileName}" : $"Drop {opened.Files.Files.Count} files";
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var edits = new List<TreeEdit>();
            var free = new FreeNames(snapshot.Tree);
            foreach (var file in opened.Files.Files)
            {
                var bytes = file.ReadAll();
                if (free.Find(file.Path, ContentHash.Of(bytes)) is { } path) edits.Add(new TreeEdit.Write(path, bytes));
                taken++;
            }

            return edits;
        }, cancel).ConfigureAwait(false);
        return new DropResult(after.Revision, taken, refused);
    }

    private static async Task<PlacementsResult> PlaceAsync(Guid id, PlacementsRequest request, PackDesk desk, CancellationToken cancel)
    {
        var left = new List<Refused>();
        var placed = 0;
        var count = request.AllSure ? null : request.Files?.Count;
        var what = request.AllSure ? "Place all sure files" : count == 1 ? $"Place {request.Files![0].Target}" : $"Place {count ?? 0} files";
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var wanted = request.AllSure
                ? Sure(snapshot.Advise()).Select(a => (From: a.File.Path, To: a.Candidates[0].Target))
                : (request.Files ?? []).Select(f => (From: PathOf(f.File), To: FileEndpoints.Parse(f.Target)));
            var tree = snapshot.Tree;
            var edits = new List<TreeEdit>();
            foreach (var (from, to) in wanted)
            {
                var result = PlaceOne(tree, from, to);
                if (result.Problem is { } problem)
                {
                    left.Add(new Refused(FileOf(from), problem));
                    continue;
                }

                tree = tree.With(result.Edits);
                var naming = ManifestNaming.Edits(snapshot.Profile, tree, to);
                tree = tree.With(naming);
                edits.AddRange([.. result.Edits, .. naming]);
                placed++;
            }

            return edits;
        }, cancel).ConfigureAwait(false);
        return new PlacementsResult(after.Revision, placed, left);
    }

    /// <summary>Moves a file of the tray to its place. A picture with steps takes it as its new source and runs them again.</summary>
    private static ShapingResult PlaceOne(FileTree tree, PackPath from, PackPath to)
    {
        if (ReservedFolder.Holds(to)) return new ShapingResult([], $"{ReservedFolder.Name} is Underlay’s own folder; choose a path outside it.");
        if (tree.Find(from) is not { } file) return new ShapingResult([], "it is no longer in the tray.");
        if (to.Value.EndsWith(".png", StringComparison.Ordinal) && StepsFile.Read(tree, to) is null && SourceReader.ConversionOf(file.ReadAll()).Length > 0) return PlaceConverted(tree, file, to);
        if (tree.Find(to) is null) return new ShapingResult([new TreeEdit.Move(from, to)], null);
        if (StepsFile.Read(tree, to) is null) return new ShapingResult([new TreeEdit.Delete(to), new TreeEdit.Move(from, to)], null);
        var renewed = Shaping.Renew(tree, to, file.ReadAll());
        return renewed.Problem is null ? renewed with { Edits = [.. renewed.Edits, new TreeEdit.Delete(from)] } : renewed;
    }

    /// <summary>Places a picture that hosts do not read as it is: a PNG of it goes to the place, itself among the sources.</summary>
    private static ShapingResult PlaceConverted(FileTree tree, TreeFile file, PackPath to)
    {
        var (png, problem) = SourceReader.ToPng(file.ReadAll());
        if (png is null) return new ShapingResult([], $"it cannot be made a PNG: {problem}.");
        var source = ReservedFolder.SourceOf(to);
        return tree.Find(source) is null
            ? new ShapingResult([new TreeEdit.Write(to, png), new TreeEdit.Move(file.Path, source)], null)
            : new ShapingResult([new TreeEdit.Write(to, png), new TreeEdit.Write(source, file.ReadAll()), new TreeEdit.Delete(file.Path)], null);
    }

    private static async Task<Changed> DiscardAsync(Guid id, DiscardRequest request, PackDesk desk, CancellationToken cancel)
    {
        var what = request.Files is [var one] ? $"Throw {one} away" : $"Throw {request.Files.Count} files away";
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var paths = request.Files.Select(PathOf).ToList();
            if (paths.Find(p => snapshot.Tree.Find(p) is null) is { Value.Length: > 0 } missing) throw ProblemException.NoFile(FileOf(missing));
            return [.. paths.Select(p => new TreeEdit.Delete(p))];
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }
}
