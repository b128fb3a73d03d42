using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Data.Blobs;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Lists;
using Underlay.Server.Packs;

namespace Underlay.Server.Tray;

/// <summary>A path at which a file of the tray may belong.</summary>
/// <param name="Doubt">What speaks against it so much that it is never sure; null for nothing.</param>
/// <param name="IsNew">Neither the base nor the pack has the path.</param>
/// <param name="YoursHash">Of the pack's own file there, which it would replace; null for none.</param>
/// <param name="BaseHash">Of the base's file there, over which it would lie; null for none.</param>
internal sealed record Candidate(
    string Target,
    string? Place,
    string Title,
    string Noun,
    double Confidence,
    string Reason,
    string? Doubt,
    bool IsNew,
    string? YoursHash,
    string? BaseHash);

/// <summary>A file that was dropped in and is not yet placed.</summary>
/// <param name="File">Its path in the tray.</param>
/// <param name="Path">Its path in the pack.</param>
/// <param name="Hash">Of its bytes.</param>
/// <param name="IsSound">Whether it is a recording, which can be heard and split.</param>
/// <param name="Size">Of a picture that can be read, in pixels.</param>
/// <param name="Length">Bytes.</param>
/// <param name="IsFlawed">It is of no use wherever it is placed; the hint says why.</param>
/// <param name="IsSure">Whether the first candidate can be accepted without looking.</param>
/// <param name="HasFirst">Whether the first candidate stands before the others, so that it may be proposed.</param>
/// <param name="Candidates">Likeliest first.</param>
/// <param name="Likely">How many are as likely as the first: more than the candidates where only some of them are listed.</param>
/// <param name="Hint">
/// Why the file is of no use, or where the host reads such files that Underlay does not judge yet; null for nothing to say.
/// </param>
internal sealed record TrayRow(
    string File,
    string Path,
    string Hash,
    bool IsPicture,
    bool IsSound,
    Size? Size,
    long Length,
    bool IsSure,
    bool HasFirst,
    IReadOnlyList<Candidate> Candidates,
    int Likely,
    string? Hint,
    bool IsFlawed);

/// <summary>
/// The files of the tray; all, or what is another since a revision (<see cref="ListAnswer{T}"/>). A row's key is its path in the pack.
/// </summary>
internal sealed record TrayView(
    long Revision,
    int Sure,
    IReadOnlyList<NamedPlace> Named,
    long? Since,
    IReadOnlyList<TrayRow> Rows,
    IReadOnlyList<int> At,
    IReadOnlyList<string> Gone,
    int Total);

/// <summary>What came of a drop.</summary>
internal sealed record DropResult(long Revision, int Taken, IReadOnlyList<Refused> Refused);

/// <summary>A file of the tray and the path that it is to get.</summary>
/// <param name="Insist">Whether to place it where the host could not read it as it is.</param>
internal sealed record PlaceRequest(string File, string Target, bool Insist = false);

/// <summary>Files to place: those named, or all of which the tray is sure.</summary>
internal sealed record PlacementsRequest(IReadOnlyList<PlaceRequest>? Files = null, bool AllSure = false);

/// <summary>What was placed.</summary>
/// <param name="AsResult">Paths at which a file was taken for what the picture's steps made, and so not run through them again.</param>
internal sealed record PlacementsResult(long Revision, int Placed, IReadOnlyList<Refused> Left, IReadOnlyList<string> AsResult);

/// <summary>A picture of the tray that the manifest is to name in a place.</summary>
internal sealed record NameRequest(string File, string Place);

/// <summary>A place whose one path the manifest names, for which any picture may do.</summary>
internal sealed record NamedPlace(string Place, string Noun);

/// <summary>What a path that is being typed would mean.</summary>
/// <param name="Noun">What the host reads there; null for nothing.</param>
/// <param name="Replaces">Whose file is there: pack, base or none.</param>
/// <param name="Says">What speaks against it; empty for nothing.</param>
/// <param name="Near">A path that is near and that the host reads.</param>
/// <param name="IsRefused">The file cannot be placed there.</param>
/// <param name="Completions">Paths that begin so.</param>
internal sealed record PathView(
    string? Noun,
    string Replaces,
    string Says,
    string? Near,
    bool IsRefused,
    IReadOnlyList<string> Completions);

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
        tray.MapPost("/named", NameAsync).WithName("nameFile");
        tray.MapGet("/path", JudgePathAsync).WithName("judgePath");
        tray.MapPost("/discards", DiscardAsync).WithName("discardFiles");
    }

    public static PackPath PathOf(string file) => FileEndpoints.Parse($"{ReservedFolder.Tray}/{file}");

    private static string FileOf(PackPath path) => path.Value[(ReservedFolder.Tray.Length + 1)..];

    private static async Task<TrayView> ViewAsync(
        Guid id,
        PackDesk desk,
        ListMemory lists,
        FaultLog faults,
        CancellationToken cancel,
        long? since = null)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var advice = snapshot.Advise();
        foreach (var failed in advice.Where(a => a.Fault is not null)) faults.Note(failed.File, failed.Fault!);
        var all = advice.Select(a => Row(a, snapshot)).ToList();
        var (known, rows, at, gone, total) = lists.Answer(id, "tray", snapshot.Revision, since, all, r => r.Path);
        return new TrayView(
            snapshot.Revision,
            Sure(advice).Count,
            [.. snapshot.Profile.Places.Where(p => p.ManifestField is not null).Select(p => new NamedPlace(p.Key, p.Noun))],
            known,
            rows,
            at,
            gone,
            total);
    }

    private static TrayRow Row(PlacementAdvice advice, PackSnapshot snapshot) => new(
        FileOf(advice.File.Path),
        advice.File.Path.Value,
        PackSnapshot.HashOf(advice.File),
        advice.Begins is PictureFormat,
        advice.Begins is SoundFormat,
        advice.Size is { } size ? new Size(size.Width, size.Height) : null,
        advice.File.Length,
        advice.IsSure,
        advice.HasFirst,
        [.. advice.Candidates.Select(c => Candidate(c, snapshot))],
        advice.Likely,
        advice.Flaw is { } flaw ? $"{char.ToUpperInvariant(flaw[0])}{flaw[1..]}"
            : advice.Candidates.Count > 0 ? null
            : HintFor(advice.File, snapshot.Profile),
        advice.Flaw is not null);

    private static string? HintFor(TreeFile file, HostProfile profile)
    {
        var ending = Path.GetExtension(file.Path.FileName).ToLowerInvariant();
        return ending.Length > 0
            && profile.Unjudged.FirstOrDefault(u => u.Pattern.Text.EndsWith(ending, StringComparison.Ordinal)) is { } rule
            ? $"{profile.Title} reads {rule.Title} at {rule.Pattern.Text}"
            : null;
    }

    private static Candidate Candidate(PlacementCandidate candidate, PackSnapshot snapshot) => new(
        candidate.Target.Value,
        candidate.Place?.Key,
        candidate.Place is { } place ? LedgerEndpoints.TitleOf(place, place.Pattern?.Match(candidate.Target) ?? Bindings.None) : "Manifest",
        candidate.Place?.Noun ?? "manifest",
        candidate.Confidence,
        candidate.Reason,
        candidate.Doubt,
        candidate.IsNew,
        snapshot.Tree.Find(candidate.Target) is { } yours ? PackSnapshot.HashOf(yours) : null,
        snapshot.Overlay?.Base.Find(candidate.Target)?.Facts.Hash.Hex);

    /// <summary>Those that are sure, one for each path: of two that are sure of the same path neither is.</summary>
    private static List<PlacementAdvice> Sure(IReadOnlyList<PlacementAdvice> advice) =>
        [.. advice.Where(a => a.IsSure).GroupBy(a => a.Candidates[0].Target).Where(g => g.Count() == 1).Select(g => g.First())];

    private static async Task<DropResult> DropAsync(Guid id, HttpRequest request, PackDesk desk, CancellationToken cancel)
    {
        await desk.GetAsync(id, cancel).ConfigureAwait(false);
        using var upload = await UploadReader.ReadAsync(request, cancel).ConfigureAwait(false);
        var opened = Core.Placements.Tray.Open(upload.Tree, ArchiveLimits.Standard);
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
                if (free.Find(file.Path, file.Hash) is { } path) edits.Add(new TreeEdit.Put(file with { Path = path }));
                taken++;
            }

            return edits;
        }, cancel).ConfigureAwait(false);
        return new DropResult(after.Revision, taken, refused);
    }

    private static async Task<PlacementsResult> PlaceAsync(Guid id, PlacementsRequest request, PackDesk desk, CancellationToken cancel)
    {
        var left = new List<Refused>();
        var asResult = new List<string>();
        var placed = 0;
        var count = request.AllSure ? null : request.Files?.Count;
        var what = request.AllSure
            ? "Place all sure files"
            : count == 1
            ? $"Place {request.Files![0].Target}"
            : $"Place {count ?? 0} files";
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var wanted = request.AllSure
                ? Sure(snapshot.Advise()).Select(a => new WantedPlace(a.File.Path, a.Candidates[0].Target))
                : (request.Files ?? []).Select(f => new WantedPlace(PathOf(f.File), FileEndpoints.Parse(f.Target), f.Insist));
            List<WantedPlace> all = [.. wanted];
            using var ahead = ReadAhead.Of(all.Select(w => snapshot.Tree.Find(w.From)).OfType<TreeFile>());
            var results = Placing.PlaceAll(snapshot.Profile, snapshot.Edition, snapshot.Tree, all);
            foreach (var (one, result) in all.Zip(results))
            {
                if (result.Problem is { } problem) left.Add(new Refused(FileOf(one.From), problem));
                else placed++;
                if (result.IsResult) asResult.Add(one.To.Value);
            }

            return [.. results.SelectMany(r => r.Edits)];
        }, cancel).ConfigureAwait(false);
        return new PlacementsResult(after.Revision, placed, left, asResult);
    }

    private static async Task<Changed> NameAsync(Guid id, NameRequest request, PackDesk desk, CancellationToken cancel)
    {
        var after = await desk.EditAsync(id, null, $"Use {request.File} as {request.Place}", snapshot =>
        {
            var place = snapshot.Profile.Places.FirstOrDefault(p => p.Key == request.Place && p.ManifestField is not null)
                ?? throw ProblemException.Unsound($"The manifest names no “{request.Place}”.");
            var result = Placing.AsNamed(snapshot.Profile, snapshot.Edition, snapshot.Tree, PathOf(request.File), place);
            return result.Problem is null
                ? result.Edits
                : throw new ProblemException(
                    422,
                    "picture-unreadable",
                    $"{request.File} stays in the tray: {result.Problem}")
                { Paths = [request.File] };
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<PathView> JudgePathAsync(Guid id, string file, string target, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var dropped = snapshot.Tree.Find(PathOf(file)) ?? throw ProblemException.NoFile(file);
        if (snapshot.Overlay is not { } overlay) return new PathView(null, "none", "", null, false, []);
        var completions = PathJudge.Complete(overlay, target);
        if (target.Length == 0) return new PathView(null, "none", "", null, true, completions);
        var judged = PathJudge.Judge(overlay, dropped, target);
        return new PathView(
            judged.Place?.Noun,
            judged.Replaces is { } layer ? (layer.IsBase ? "base" : "pack") : "none",
            judged.Says,
            judged.Near?.Value,
            judged.IsRefused,
            completions);
    }

    private static async Task<Changed> DiscardAsync(Guid id, DiscardRequest request, PackDesk desk, CancellationToken cancel)
    {
        var what = request.Files is [var one] ? $"Throw {one} away" : $"Throw {request.Files.Count} files away";
        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var paths = request.Files.Select(PathOf).ToList();
            if (paths.Find(p => snapshot.Tree.Find(p) is null) is { Value.Length: > 0 } missing)
                throw ProblemException.NoFile(FileOf(missing));
            return [.. paths.Select(p => new TreeEdit.Delete(p))];
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }
}
