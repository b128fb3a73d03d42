using Underlay.Data.Jobs;
using Underlay.Server.Hosting;

namespace Underlay.Server.Jobs;

/// <summary>One kind of long work. It may be begun again from its start when its node dies.</summary>
internal interface IJobWork
{
    string Kind { get; }

    /// <returns>What came of it, as JSON.</returns>
    /// <exception cref="ProblemException">It cannot be done; the message is for the author.</exception>
    Task<string> RunAsync(Job job, JobProgress progress, CancellationToken cancel);
}

/// <summary>Carries one job out.</summary>
internal sealed class JobRunner(JobBoard board, IEnumerable<IJobWork> works, ILogger<JobRunner> logger)
{
    public async Task RunAsync(Job job, CancellationToken shutdown)
    {
        var id = job.Id;
        using var ending = CancellationTokenSource.CreateLinkedTokenSource(shutdown);
        var progress = new JobProgress(board, id, ending);
        try
        {
            await progress.TellAsync("Begun", 0, 0).ConfigureAwait(false);
            var result = await WorkAsync(job, progress, ending.Token).ConfigureAwait(false);
            await EndAsync(id, JobState.Done, "Done", result).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (!shutdown.IsCancellationRequested)
        {
            await EndAsync(id, JobState.Cancelled, "Cancelled; nothing was kept.", null).ConfigureAwait(false);
        }
        catch (ProblemException problem)
        {
            await EndAsync(id, JobState.Failed, problem.Message, null).ConfigureAwait(false);
        }
        catch (Exception problem) when (problem is not OperationCanceledException)
        {
            Log.JobFailed(logger, id, problem);
            await EndAsync(id, JobState.Failed, "Something went wrong in Underlay itself; the server’s log tells more.", null).ConfigureAwait(false);
        }
    }

    /// <summary>Does the work, and holds the job for as long as that takes and no longer, however it ends.</summary>
    private async Task<string> WorkAsync(Job job, JobProgress progress, CancellationToken ending)
    {
        using var working = CancellationTokenSource.CreateLinkedTokenSource(ending);
        var held = HoldAsync(job.Id, working.Token);
        try
        {
            return await works.First(w => w.Kind == job.Kind).RunAsync(job, progress, ending).ConfigureAwait(false);
        }
        finally
        {
            await working.CancelAsync().ConfigureAwait(false);
            await held.ConfigureAwait(false);
        }
    }

    private async Task HoldAsync(Guid id, CancellationToken ending)
    {
        try
        {
            while (true)
            {
                await Task.Delay(JobBoard.Hold / 4, ending).ConfigureAwait(false);
                await board.HoldAsync(id, ending).ConfigureAwait(false);
            }
        }
        catch (OperationCanceledException)
        {
            // The job has ended.
        }
    }

    private Task<bool> EndAsync(Guid id, JobState state, string message, string? result) =>
        board.UpdateAsync(
            id,
            job =>
            {
                (job.State, job.Message, job.Result, job.EndedAt) = (state, message, result, board.Now);
                if (state == JobState.Done) job.Done = job.Total;
            },
            CancellationToken.None);
}

/// <summary>Tells how far a job is, and learns whether it is still wanted.</summary>
internal sealed class JobProgress(JobBoard board, Guid id, CancellationTokenSource ending)
{
    private const long EveryMilliseconds = 200;
    private long told;

    public async Task TellAsync(string message, int done, int total)
    {
        told = Environment.TickCount64;
        var wanted = await board.UpdateAsync(
            id,
            job =>
            {
                (job.Message, job.Done, job.Total) = (message, done, total);
            },
            ending.Token).ConfigureAwait(false);
        if (!wanted) await ending.CancelAsync().ConfigureAwait(false);
        ending.Token.ThrowIfCancellationRequested();
    }

    /// <summary>Counts steps, and tells them now and then.</summary>
    public IProgress<int> Count(string message, int total) => new Counting(done =>
    {
        if (Environment.TickCount64 - told >= EveryMilliseconds) TellAsync(message, done, total).GetAwaiter().GetResult();
    });

    private sealed class Counting(Action<int> tell) : IProgress<int>
    {
        public void Report(int value) => tell(value);
    }
}
