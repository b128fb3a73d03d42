using Underlay.Server.Events;
using Underlay.Server.Hosting;

namespace Underlay.Server.Jobs;

/// <summary>
/// Takes jobs from the board and has them carried out, a few at once. The board is the queue: a job that was acknowledged is
/// one row, and cannot be there without being waited for.
/// </summary>
internal sealed class JobWorker(
    JobBoard board,
    EventHub hub,
    IServiceScopeFactory scopes,
    DatabaseWatch watch,
    ILogger<JobWorker> logger) : BackgroundService
{
    // Events wake the worker; this finds the work of nodes that are gone.
    private static readonly TimeSpan LookAgain = TimeSpan.FromSeconds(2);

    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll(Enumerable.Range(0, Math.Max(2, Environment.ProcessorCount)).Select(_ => WorkAsync(stoppingToken)));

    private async Task WorkAsync(CancellationToken stopping)
    {
        while (!stopping.IsCancellationRequested)
        {
            try
            {
                var waited = hub.JobTold;
                if (await board.TakeAsync(stopping).ConfigureAwait(false) is { } job)
                {
                    await using var scope = scopes.CreateAsyncScope();
                    await scope.ServiceProvider.GetRequiredService<JobRunner>().RunAsync(job, stopping).ConfigureAwait(false);
                }
                else
                {
                    await Task.WhenAny(waited, Task.Delay(LookAgain, stopping)).ConfigureAwait(false);
                }
            }
            catch (OperationCanceledException) when (stopping.IsCancellationRequested)
            {
                return;
            }
            catch (Exception problem)
            {
                // Whatever it was, other jobs wait.
                if (!watch.Notes(problem)) Log.Stumbled(logger, "Looking for jobs", problem);
                await Task.WhenAny(Task.Delay(LookAgain, stopping)).ConfigureAwait(false);
            }
        }
    }
}
