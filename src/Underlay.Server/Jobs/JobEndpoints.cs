using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Underlay.Data;
using Underlay.Data.Jobs;
using Underlay.Server.Hosting;

namespace Underlay.Server.Jobs;

/// <summary>Long work and how far it is.</summary>
internal sealed record JobView(
    Guid Id,
    Guid PackId,
    string Kind,
    JobState State,
    int Done,
    int Total,
    string Message,
    bool CancelAsked,
    DateTimeOffset CreatedAt,
    JsonElement? Result)
{
    public static JobView Of(Job job) =>
        new(
            job.Id,
            job.PackId,
            job.Kind,
            job.State,
            job.Done,
            job.Total,
            job.Message,
            job.CancelAsked,
            job.CreatedAt,
            job.Result is { } json ? JsonElement.Parse(json) : null);
}

internal static class JobEndpoints
{
    public static void MapJobs(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/jobs/{id:guid}", GetAsync).WithName("viewJob");
        app.MapPost("/api/jobs/{id:guid}/cancel", CancelAsync).WithName("cancelJob");
        app.MapGet("/api/packs/{id:guid}/jobs/{kind}/latest", LatestAsync).WithName("latestJob");
    }

    private static async Task<JobView> GetAsync(Guid id, JobBoard board, CancellationToken cancel) =>
        await board.FindAsync(id, cancel).ConfigureAwait(false) is { } job
            ? JobView.Of(job)
            : throw new ProblemException(404, "no-job", "There is no such job.");

    private static async Task<JobView> CancelAsync(Guid id, JobBoard board, CancellationToken cancel)
    {
        await board.UpdateAsync(
            id,
            null,
            job =>
            {
                job.CancelAsked = true;
                if (job.State == JobState.Queued)
                    (job.State, job.Message, job.EndedAt) = (JobState.Cancelled, "Cancelled; nothing was kept.", board.Now);
            },
            cancel).ConfigureAwait(false);
        return await GetAsync(id, board, cancel).ConfigureAwait(false);
    }

    /// <summary>The newest job of a kind; null when there was none.</summary>
    private static async Task<JobView?> LatestAsync(Guid id, string kind, UnderlayDatabase database, CancellationToken cancel) =>
        await database.Jobs
            .AsNoTracking()
            .Where(j => j.PackId == id && j.Kind == kind)
            .OrderByDescending(j => j.CreatedAt)
            .ThenByDescending(j => j.Id)
            .FirstOrDefaultAsync(cancel).ConfigureAwait(false) is { } job
            ? JobView.Of(job)
            : null;
}
