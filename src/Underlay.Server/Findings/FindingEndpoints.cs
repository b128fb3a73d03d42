using Underlay.Core.Checks;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Findings;

/// <summary>What names a finding across checks.</summary>
internal sealed record FindingName(string Code, string Path, string Pointer, string Discriminator);

/// <summary>A repair that can be applied.</summary>
/// <param name="Title">Words to press.</param>
/// <param name="IsSafe">It loses nothing and leaves no choice.</param>
internal sealed record FixView(string Title, bool IsSafe);

/// <summary>A problem found.</summary>
internal sealed record FindingView(FindingName Name, string Severity, string Place, string Message, int? Line, int? Column, FixView? Fix, string? Waived);

/// <summary>All that was found.</summary>
internal sealed record FindingsView(long Revision, FindingCounts Counts, int Safe, bool IsWrapped, IReadOnlyList<FindingView> Findings);

/// <summary>The fixes to apply: of the findings named, or all that lose nothing and leave no choice.</summary>
internal sealed record FixRequest(IReadOnlyList<FindingName>? Findings = null, bool AllSafe = false);

/// <summary>What was repaired.</summary>
internal sealed record FixResult(long Revision, int Applied);

/// <summary>A finding to leave as it is, and why.</summary>
internal sealed record WaiveRequest(FindingName Finding, string Reason);

internal static class FindingEndpoints
{
    public static void MapFindings(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/findings", ListAsync).WithName("listFindings");
        pack.MapPost("/fixes", FixAsync).WithName("applyFixes");
        pack.MapPost("/waivers", WaiveAsync).WithName("waiveFinding");
        pack.MapPost("/waivers/withdrawals", WithdrawAsync).WithName("withdrawWaiver");
    }

    public static FindingView View(PackSnapshot snapshot, Finding finding) => new(
        NameOf(finding),
        finding.Severity switch { Severity.Blocker => "blocker", Severity.Warning => "warning", _ => "note" },
        PackSummary.ColumnOf(snapshot, finding.Path),
        finding.Message,
        finding.At?.Line,
        finding.At?.Column,
        finding.Fix is { } fix ? new FixView(fix.Title, fix is { LosesNothing: true, LeavesNoChoice: true }) : null,
        finding.Waiver?.Reason);

    private static FindingName NameOf(Finding finding) => new(finding.Code.Value, finding.Path, finding.Pointer, finding.Discriminator);

    private static async Task<FindingsView> ListAsync(Guid id, PackDesk desk, CancellationToken cancel)
    {
        var snapshot = await desk.GetAsync(id, cancel).ConfigureAwait(false);
        var findings = snapshot.Report.Findings;
        var safe = findings.Count(f => f.Waiver is null && f.Fix is { LosesNothing: true, LeavesNoChoice: true });
        return new FindingsView(snapshot.Revision, FindingCounts.Of(findings), safe, snapshot.Overlay is null, [.. findings.Select(f => View(snapshot, f))]);
    }

    private static async Task<FixResult> FixAsync(Guid id, FixRequest request, PackDesk desk, CancellationToken cancel)
    {
        var applied = 0;
        var what = request.AllSafe ? "Apply all safe fixes" : "Apply a fix";
        if (!request.AllSafe && request.Findings is [var one])
        {
            var before = await desk.GetAsync(id, cancel).ConfigureAwait(false);
            what = $"{Find(before, one).Fix?.Title ?? what} ({one.Path})";
        }

        var after = await desk.EditAsync(id, null, what, snapshot =>
        {
            var edits = request.AllSafe ? AllSafe(snapshot, cancel) : Named(snapshot, request.Findings ?? []);
            applied = edits.Count;
            return [.. edits.SelectMany(e => e)];
        }, cancel).ConfigureAwait(false);
        return new FixResult(after.Revision, applied);
    }

    private static List<IReadOnlyList<TreeEdit>> AllSafe(PackSnapshot snapshot, CancellationToken cancel)
    {
        // Each round is checked at the cost of what the last one changed.
        var session = snapshot.Session;
        var (_, fixes, _) = FixRunner.Run(
            snapshot.FixContext.PackName,
            snapshot.Tree,
            tree => (session = session.MovedTo(tree, cancel)).Report,
            snapshot.Profile,
            []);
        return [.. fixes.Select(f => f.Edits)];
    }

    /// <summary>Each fix sees what those before it changed: two may shape one picture.</summary>
    private static List<IReadOnlyList<TreeEdit>> Named(PackSnapshot snapshot, IReadOnlyList<FindingName> names)
    {
        var tree = snapshot.Tree;
        var all = new List<IReadOnlyList<TreeEdit>>();
        foreach (var name in names)
        {
            var edits = EditsOf(snapshot, tree, name);
            tree = tree.With(edits);
            all.Add(edits);
        }

        return all;
    }

    private static IReadOnlyList<TreeEdit> EditsOf(PackSnapshot snapshot, FileTree tree, FindingName name)
    {
        var edits = FixRunner.EditsOf(tree, Find(snapshot, name), snapshot.FixContext);
        return edits.Count > 0 ? edits : throw new ProblemException(409, "fix-gone", "This fix no longer applies; look at the finding as it is now.") { Paths = [name.Path] };
    }

    private static async Task<Changed> WaiveAsync(Guid id, WaiveRequest request, PackDesk desk, CancellationToken cancel)
    {
        if (string.IsNullOrWhiteSpace(request.Reason)) throw ProblemException.Unsound("Say why it may stay: a waiver needs a reason.");
        var after = await desk.EditAsync(id, null, $"Waive {request.Finding.Code} ({request.Finding.Path})", snapshot =>
        {
            var finding = Find(snapshot, request.Finding);
            return [Waivers.Write([.. Kept(snapshot, finding), Waiver.Of(finding, request.Reason.Trim())])];
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<Changed> WithdrawAsync(Guid id, FindingName name, PackDesk desk, CancellationToken cancel)
    {
        var after = await desk.EditAsync(id, null, $"Withdraw the waiver of {name.Code} ({name.Path})", snapshot =>
            [Waivers.Write(Kept(snapshot, Find(snapshot, name)))], cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    /// <summary>The waivers of all other findings. A file of waivers that cannot be read is not overwritten.</summary>
    private static IEnumerable<Waiver> Kept(PackSnapshot snapshot, Finding finding)
    {
        var (waivers, problem) = Waivers.Read(snapshot.Tree);
        if (problem is not null) throw new ProblemException(409, "waivers-unreadable", $"{ReservedFolder.Waivers} cannot be read, and is not overwritten: {problem}. Mend it or take it out first.") { Paths = [ReservedFolder.Waivers.Value] };
        return waivers.Where(w => w.Key != finding.Key);
    }

    private static Finding Find(PackSnapshot snapshot, FindingName name) =>
        snapshot.Report.Findings.FirstOrDefault(f => NameOf(f) == name)
        ?? throw new ProblemException(409, "finding-gone", "This is no longer found; the pack was changed meanwhile.") { Paths = [name.Path] };
}
