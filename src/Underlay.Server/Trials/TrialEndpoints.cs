using Microsoft.AspNetCore.Http.HttpResults;
using Underlay.Server.Jobs;
using Underlay.Server.Packs;

namespace Underlay.Server.Trials;

internal static class TrialEndpoints
{
    public static void MapTrials(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/packs/{id:guid}/trials", TryAsync).WithName("tryPack");

    private static async Task<Accepted<JobView>> TryAsync(Guid id, PackService packs, JobBoard board, CancellationToken cancel)
    {
        var snapshot = await packs.GetAsync(id, cancel).ConfigureAwait(false);
        var job = await board.AskAsync(id, "trial", $"trial:{id}:{snapshot.Revision}", "{}", cancel).ConfigureAwait(false);
        return TypedResults.Accepted($"/api/jobs/{job.Id}", JobView.Of(job));
    }
}
