using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Server.Hosting;
using Underlay.Server.Lists;
using Underlay.Server.Packs;

namespace Underlay.Server.Findings;

/// <summary>Findings to leave as they are, and why.</summary>
internal sealed record WaiveRequest(IReadOnlyList<FindingName> Findings, string Reason);

internal static class FindingEndpoints
{
    public static void MapFindings(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapGet("/findings", ListAsync).WithName("listFindings");
        pack.MapPost("/waivers", WaiveAsync).WithName("waiveFinding");
        pack.MapPost("/waivers/withdrawals", WithdrawAsync).WithName("withdrawWaiver");
    }

    /// <exception cref="ProblemException">There is no such finding.</exception>
    public static Finding Find(PackSnapshot snapshot, FindingName name) =>
        snapshot.Find(name.AsFindingKey())
        ?? throw new ProblemException(
            409,
            "finding-gone",
            "This is no longer found; the pack was changed meanwhile.")
        { Paths = [name.Path] };

    private static async Task<FindingsView> ListAsync(
        Guid id,
        PackService packs,
        ListMemory lists,
        CancellationToken cancel,
        long? since = null)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var findings = snapshot.Report.Findings;
        var loseNothing = findings.Where(f => f.Waiver is null && f.Fix is { LosesNothing: true, LeavesNoChoice: true }).ToList();
        var views = findings.Select(f => FindingView.Of(snapshot, f)).ToList();
        var (known, rows, at, gone, total) = lists.Answer(id, "findings", snapshot.Revision, since, views, f => f.Name.ToKey());
        return new FindingsView(
            snapshot.Revision,
            FindingCounts.Of(findings),
            loseNothing.Count,
            loseNothing.SelectMany(f => f.Parts.Select(p => p.Path).DefaultIfEmpty(f.Path)).Distinct().Count(),
            snapshot.Overlay is null,
            known,
            rows,
            at,
            gone,
            total);
    }

    private static async Task<Changed> WaiveAsync(Guid id, WaiveRequest request, PackService packs, CancellationToken cancel)
    {
        if (string.IsNullOrWhiteSpace(request.Reason)) throw ProblemException.Unsound("Say why it may stay: a waiver needs a reason.");
        if (request.Findings is []) throw ProblemException.Unsound("Say which findings to waive.");
        var what = request.Findings is [var one] ? $"Waive {one.Code} ({one.Path})" : $"Waive {request.Findings.Count} findings";
        var after = await packs.EditAsync(id, null, what, snapshot =>
        {
            var findings = request.Findings.Select(name => Find(snapshot, name)).ToList();
            return ProblemException.EditsOf(Waivers.Add(snapshot.Tree, [.. findings.Select(f => f.Waive(request.Reason.Trim()))]));
        }, cancel).ConfigureAwait(false);
        return new Changed(after.Revision);
    }

    private static async Task<Changed> WithdrawAsync(Guid id, FindingName name, PackService packs, CancellationToken cancel)
    {
        var after = await packs.EditAsync(id, null, $"Withdraw the waiver of {name.Code} ({name.Path})", snapshot =>
            ProblemException.EditsOf(Waivers.Withdraw(snapshot.Tree, new HashSet<FindingKey> { Find(snapshot, name).Key })), cancel)
            .ConfigureAwait(false);
        return new Changed(after.Revision);
    }
}
