using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Renames;
using Underlay.Data;
using Underlay.Data.Blobs;
using Underlay.Server.Files;
using Underlay.Server.Hosting;
using Underlay.Server.Lists;
using Underlay.Server.Packs;

namespace Underlay.Server.Tray;

/// <summary>Files that were dropped in: where they belong, and what is done with them.</summary>
internal static class TrayEndpoints
{
    public static void MapTray(this IEndpointRouteBuilder app)
    {
        var tray = app.MapGroup("/api/packs/{id:guid}/tray");
        tray.MapGet("", ViewAsync).WithName("viewTray");
        tray.MapPost("", DropAsync).WithName("dropFiles").WithMetadata(UploadReader.Limit).AcceptsUpload();
        tray.MapPost("/placements", PlaceAsync).WithName("placeFiles");
        tray.MapPost("/things", BeginAsync).WithName("beginThing");
        tray.MapPost("/named", NameAsync).WithName("nameFile");
        tray.MapGet("/path", JudgePathAsync).WithName("judgePath");
        tray.MapPost("/discards", DiscardAsync).WithName("discardFiles");
    }

    public static PackPath PathOf(string file) => FileEndpoints.Parse($"{ReservedFolder.Tray}/{file}");

    private static string FileOf(PackPath path) => path.Value[(ReservedFolder.Tray.Length + 1)..];

    private static async Task<TrayView> ViewAsync(
        Guid id,
        PackService packs,
        ListMemory lists,
        FaultLog faults,
        CancellationToken cancel,
        long? since = null)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
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
        advice.Series is { } series ? new TraySeries(series.Key, series.Number, series.Says) : null,
        advice.NewThing is { } seat ? new TrayThing(seat.Owner.Key, seat.Owner.Noun, seat.Name, seat.Part.Key) : null,
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

    private static async Task<DropResult> DropAsync(Guid id, HttpRequest request, PackService packs, CancellationToken cancel)
    {
        await packs.GetAsync(id, cancel).ConfigureAwait(false);
        using var upload = await UploadReader.ReadAsync(request, cancel).ConfigureAwait(false);
        var opened = Core.Placements.Tray.Open(upload.Tree, ArchiveLimits.Standard);
        var refused = upload.Refused
            .Concat(opened.Files.Refused.Select(Refused.Of))
            .Concat(opened.Refused.Select(r => new Refused(r.Path.Value, $"{r.Path.FileName} was refused whole: {r.Problem.Says}")))
            .ToList();
        var taken = 0;
        var what = opened.Files.Files.Count == 1 ? $"Drop {opened.Files.Files[0].Path.FileName}" : $"Drop {opened.Files.Files.Count} files";
        var after = await packs.EditAsync(id, null, what, snapshot =>
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

    private static async Task<PlacementsResult> PlaceAsync(Guid id, PlacementsRequest request, PackService packs, CancellationToken cancel)
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
        var after = await packs.EditAsync(id, null, what, snapshot =>
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

    private static async Task<ThingBegun> BeginAsync(
        Guid id,
        ThingRequest request,
        PackService packs,
        UnderlayDatabase database,
        CancellationToken cancel)
    {
        EntryPlan? plan = null;
        var before = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var after = await packs.EditAsync(id, null, $"Begin {request.Name} with {request.Parts.Count} files", snapshot =>
        {
            var overlay = snapshot.NeedOverlay();
            Place Find(string key) =>
                overlay.Profile.Places.FirstOrDefault(p => p.Key == key && p.Pattern is { Placeholders.Count: 1 })
                ?? throw ProblemException.Unsound($"“{key}” is no place of a thing’s files.");
            var owner = Find(request.Owner);
            if (!EntryMake.CanMake(owner, overlay.Edition)) throw ProblemException.Unsound($"Nothing can be begun in “{owner.Key}”.");
            var parts = request.Parts.Select(p => new WantedPart(PathOf(p.File), Find(p.Place))).ToList();
            if (parts.Find(p => snapshot.Tree.Find(p.From) is null) is { } missing) throw ProblemException.NoFile(FileOf(missing.From));
            plan = NewThings.Begin(overlay, owner, request.Name.Trim(), parts);
            return plan.Problem is { } problem
                ? throw new ProblemException(409, "name-refused", $"{problem} Nothing was changed.")
                : plan.Edits;
        }, cancel).ConfigureAwait(false);
        var others = await OtherPacks.OfAsync(before, database, cancel).ConfigureAwait(false);
        var meets = await others.MeetingAsync(plan!, before, cancel).ConfigureAwait(false);
        return new ThingBegun(after.Revision, plan!.Path.Value, [.. plan.Lines.Select(Told)], [.. meets.Select(Told)]);

        static string Told(PlanLine line) => $"{line.Path}: {line.Says}";
    }

    private static async Task<Changed> NameAsync(Guid id, NameRequest request, PackService packs, CancellationToken cancel)
    {
        var after = await packs.EditAsync(id, null, $"Use {request.File} as {request.Place}", snapshot =>
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

    private static async Task<PathView> JudgePathAsync(Guid id, string file, string target, PackService packs, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
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

    private static async Task<Changed> DiscardAsync(Guid id, DiscardRequest request, PackService packs, CancellationToken cancel)
    {
        var what = request.Files is [var one] ? $"Throw {one} away" : $"Throw {request.Files.Count} files away";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            var paths = request.Files.Select(PathOf).ToList();
            if (paths.Find(p => snapshot.Tree.Find(p) is null) is { Value.Length: > 0 } missing)
                throw ProblemException.NoFile(FileOf(missing));
            return [.. paths.Select(p => new TreeEdit.Delete(p))];
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }
}
