using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Manifests;
using Underlay.Core.Mending;
using Underlay.Core.Packs;
using Underlay.Data.Blobs;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Findings;

/// <summary>A fix to apply.</summary>
/// <param name="Finding">The finding whose fix it is.</param>
/// <param name="Part">One of the files that the finding stands for, to mend that one alone; null for all.</param>
/// <param name="Answer">The answer to what the fix asks; null for the usual one.</param>
internal sealed record WantedFix(FindingName Finding, string? Part = null, string? Answer = null);

/// <summary>The fixes to apply: those named, or all that lose nothing and leave no choice.</summary>
/// <param name="Chain">Whether what they need to hold is repaired along: what a held fix says.</param>
internal sealed record FixRequest(IReadOnlyList<WantedFix>? Fixes = null, bool AllThatLoseNothing = false, bool Chain = false);

/// <summary>A fix that was not applied, because the host would show something wrong afterwards that it shows right now.</summary>
/// <param name="Path">What it would have repaired.</param>
/// <param name="Title">The fix.</param>
/// <param name="Would">What would become of what.</param>
/// <param name="Finding">The finding whose fix it is.</param>
/// <param name="Chain">What would hold all together, it among them, in its order: words to press; empty where nothing would.</param>
internal sealed record HeldFix(
    string Path,
    string Title,
    IReadOnlyList<OutcomeView> Would,
    FindingName Finding,
    IReadOnlyList<string> Chain)
{
    public static HeldFix Of(HeldBack held) => new(
        held.Finding.Path,
        held.Finding.Fix!.Title,
        [.. held.Would.Select(OutcomeView.Of)],
        FindingName.Of(held.Finding),
        [.. held.Chain.Select(t => t.Finding.Fix!.Title)]);
}

/// <summary>What was repaired.</summary>
/// <param name="Applied">How many fixes.</param>
/// <param name="Files">How many files they changed.</param>
/// <param name="Held">Those that were held back.</param>
internal sealed record FixResult(long Revision, int Applied, int Files, IReadOnlyList<HeldFix> Held);

internal static class FixEndpoints
{
    public static void MapFixes(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/packs/{id:guid}/fixes", FixAsync).WithName("applyFixes");

    private static async Task<FixResult> FixAsync(
        Guid id,
        FixRequest request,
        PackService packs,
        Settings settings,
        CancellationToken cancel)
    {
        var what = request.AllThatLoseNothing ? "Apply all fixes that lose nothing" : "Apply a fix";
        if (!request.AllThatLoseNothing && request.Fixes is [var one])
        {
            var before = await packs.GetAsync(id, cancel).ConfigureAwait(false);
            what = $"{Find(before, one).Fix!.Title} ({one.Part ?? one.Finding.Path})";
        }

        var author = KnownAuthor.Of(settings);
        if (request.AllThatLoseNothing || request.Chain)
            return await ApplyHarmlessAsync(id, request, what, packs, null, author, cancel).ConfigureAwait(false);
        // Fixes that are named seldom do harm: they are written while that is being found out.
        var (result, tried) = await TryAllAsync(id, request, what, packs, author, cancel).ConfigureAwait(false);
        return result ?? await ApplyHarmlessAsync(id, request, what, packs, tried, author, cancel).ConfigureAwait(false);
    }

    /// <summary>Applies all fixes that are named; without a result where that would do harm, and nothing was changed.</summary>
    private static async Task<(FixResult? Result, Tried Tried)> TryAllAsync(
        Guid id,
        FixRequest request,
        string what,
        PackService packs,
        Author author,
        CancellationToken cancel)
    {
        Tried? tried = null;
        var after = await packs.TryEditAsync(id, null, what, pack =>
        {
            var wanted = Wanted(pack, request);
            using var ahead = AheadOf(pack, wanted);
            var draft = FixDraft.Of(pack.Tree, wanted, pack.FixContext with { Author = author });
            if (draft.Fixes.Count == 0) throw Gone(request);
            tried = new Tried(pack, draft);
            return new PackEdit([.. draft.Edits], Holds: then => FixDraft.DoesNoHarm(pack.Report, then.Report));
        }, cancel).ConfigureAwait(false);
        return (after is null ? null : ResultOf(after, tried!.Draft.Fixes, []), tried!);
    }

    /// <summary>Applies those fixes that do no harm, and tells which were held back.</summary>
    private static async Task<FixResult> ApplyHarmlessAsync(
        Guid id,
        FixRequest request,
        string what,
        PackService packs,
        Tried? tried,
        Author author,
        CancellationToken cancel)
    {
        FixOutcome? outcome = null;
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            // Each round is checked at the cost of what the last one changed.
            var session = snapshot.Session;
            CheckReport Check(FileTree tree) => (session = session.MovedTo(tree, cancel)).Report;
            var wanted = Wanted(snapshot, request);
            using var ahead = AheadOf(snapshot, wanted);
            outcome = request.AllThatLoseNothing
                ? FixRunner.Run(snapshot.FixContext.PackName, snapshot.Tree, Check, snapshot.Profile, [], author)
                : FixRunner.Apply(
                    snapshot.FixContext.PackName,
                    snapshot.Tree,
                    snapshot.Report,
                    Check,
                    snapshot.Profile,
                    wanted,
                    tried?.Pack == snapshot ? tried.Draft : null,
                    request.Chain,
                    author);
            if (outcome is { Applied.Count: 0, Held.Count: 0 } && !request.AllThatLoseNothing) throw Gone(request);
            // What was checked last may have been held back; only what differs then is looked at again.
            return new PackEdit([.. outcome.Applied.SelectMany(f => f.Edits)], session);
        }, cancel).ConfigureAwait(false);
        return ResultOf(after, outcome!.Applied, outcome.Held);
    }

    private static List<Finding> Wanted(PackSnapshot snapshot, FixRequest request) =>
        [.. (request.Fixes ?? []).Select(f => Find(snapshot, f))];

    private static ReadAhead AheadOf(PackSnapshot snapshot, IEnumerable<Finding> wanted) =>
        ReadAhead.Of(wanted.Select(f => f.Fix?.MadeOf).OfType<PackPath>().Select(snapshot.Tree.Find).OfType<TreeFile>());

    private static FixResult ResultOf(PackSnapshot after, IReadOnlyList<AppliedFix> applied, IReadOnlyList<HeldBack> held)
    {
        var files = applied.SelectMany(f => f.Edits).SelectMany(e => e.Touches).Where(p => !ReservedFolder.Holds(p)).Distinct().Count();
        return new FixResult(after.Revision, applied.Count, files, [.. held.Select(HeldFix.Of)]);
    }

    /// <summary>The finding, with the fix that is to be applied.</summary>
    private static Finding Find(PackSnapshot snapshot, WantedFix wanted)
    {
        var finding = FindingEndpoints.Find(snapshot, wanted.Finding);
        if (wanted.Part is { } path)
        {
            var part = finding.Parts.FirstOrDefault(p => p.Path == path) ?? throw Gone([path]);
            finding = finding with { Path = path, Fix = part.Fix };
        }

        if (finding.Fix is not { } fix) throw Gone([finding.Path]);
        if (wanted.Answer is not { } answer) return finding;
        return finding with
        {
            Fix = fix.Answered(answer)
                ?? throw ProblemException.Unsound(
                    $"“{answer}” cannot be read; {fix.Question?.Title ?? "nothing"} is asked for, such as {fix.Question?.Usual}."),
        };
    }

    private static ProblemException Gone(FixRequest request) => Gone([.. (request.Fixes ?? []).Select(f => f.Finding.Path)]);

    private static ProblemException Gone(IReadOnlyList<string> paths) =>
        new(409, "fix-gone", "This fix no longer applies; look at the finding as it is now.") { Paths = paths };

    /// <summary>Fixes that were made, and of which pack.</summary>
    private sealed record Tried(PackSnapshot Pack, FixDraft Draft);
}
