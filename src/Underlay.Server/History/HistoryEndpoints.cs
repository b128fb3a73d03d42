using Microsoft.EntityFrameworkCore;
using Underlay.Data;
using Underlay.Data.Operations;
using Underlay.Server.Packs;

namespace Underlay.Server.History;

/// <summary>One thing that was done.</summary>
internal sealed record OperationView(long Revision, DateTimeOffset At, string What, OperationKind Kind, OperationState State, int Files);

/// <summary>Part of the log, newest first.</summary>
/// <param name="Operations">The operations.</param>
/// <param name="Next">The cursor of those before them, or null.</param>
internal sealed record OperationPage(IReadOnlyList<OperationView> Operations, long? Next);

internal static class HistoryEndpoints
{
    private const int PageSize = 100;

    public static void MapHistory(this IEndpointRouteBuilder app)
    {
        var pack = app.MapGroup("/api/packs/{id:guid}");
        pack.MapPost("/undo", UndoAsync).WithName("undo");
        pack.MapPost("/redo", RedoAsync).WithName("redo");
        pack.MapGet("/operations", ListAsync).WithName("listOperations");
    }

    private static async Task<Changed> UndoAsync(Guid id, HttpRequest request, PackService packs, CancellationToken cancel) =>
        new((await packs.UndoAsync(id, RevisionTag.ReadExpected(request), cancel).ConfigureAwait(false)).Revision);

    private static async Task<Changed> RedoAsync(Guid id, HttpRequest request, PackService packs, CancellationToken cancel) =>
        new((await packs.RedoAsync(id, RevisionTag.ReadExpected(request), cancel).ConfigureAwait(false)).Revision);

    private static async Task<OperationPage> ListAsync(Guid id, long? before, UnderlayDatabase database, CancellationToken cancel)
    {
        var page = await database.Operations
            .Where(o => o.PackId == id && (before == null || o.Revision < before))
            .OrderByDescending(o => o.Revision)
            .Take(PageSize)
            .Select(o => new OperationView(o.Revision, o.At, o.What, o.Kind, o.State, o.Files))
            .ToListAsync(cancel).ConfigureAwait(false);
        return new OperationPage(page, page.Count == PageSize ? page[^1].Revision : null);
    }
}
