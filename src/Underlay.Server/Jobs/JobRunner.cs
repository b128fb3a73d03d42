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

/// <summary>
/// Carries one job out, while it is this node's: a job that another node took, because this one was silent for too long, is
/// let go, and nothing more is written of it here.
/// </summary>
internal sealed class JobRunner(
    JobBoard board,
    IEnumerable<IJobWork> works,
    DatabaseWatch watch,
    TimeProvider clock,
    ILogger<JobRunner> logger)
{
    public async Task RunAsync(Job job, CancellationToken shutdown)
    {
        using var ending = CancellationTokenSource.CreateLinkedTokenSource(shutdown);
        var progress = new JobProgress(board, job, ending);
        try
        {
            await progress.TellAsync("Begun", 0, 0).ConfigureAwait(false);
            var result = await WorkAsync(job, progress, ending).ConfigureAwait(false);
            await EndAsync(job, JobState.Done, "Done", result).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (!shutdown.IsCancellationRequested)
        {
            await EndAsync(job, JobState.Cancelled, "Cancelled; nothing was kept.", null).ConfigureAwait(false);
        }
        catch (ProblemException problem)
        {
            await EndAsync(job, JobState.Failed, problem.Message, null).ConfigureAwait(false);
        }
        catch (Exception problem) when (watch.Notes(problem))
        {
            // The job stays, is held no longer, and is taken up again when the database is back.
        }
        catch (Exception problem) when (problem is not OperationCanceledException)
        {
            Log.JobFailed(logger, job.Id, problem);
            const string Says = "Something went wrong in Underlay itself; the server’s log tells more.";
            await EndAsync(job, JobState.Failed, Says, null).ConfigureAwait(false);
        }
    }

    /// <summary>Does the work, and holds the job for as long as that takes and no longer, however it ends.</summary>
    private async Task<string> WorkAsync(Job job, JobProgress progress, CancellationTokenSource ending)
    {
        using var working = CancellationTokenSource.CreateLinkedTokenSource(ending.Token);
        var held = HoldAsync(job, ending, working.Token);
        try
        {
            return await works.First(w => w.Kind == job.Kind).RunAsync(job, progress, ending.Token).ConfigureAwait(false);
        }
        finally
        {
            await working.CancelAsync().ConfigureAwait(false);
            await held.ConfigureAwait(false);
        }
    }

    private async Task HoldAsync(Job job, CancellationTokenSource ending, CancellationToken working)
    {
        try
        {
            while (true)
            {
                await Task.Delay(JobBoard.Hold / 4, clock, working).ConfigureAwait(false);
                if (!await TryHoldAsync(job, working).ConfigureAwait(false)) await ending.CancelAsync().ConfigureAwait(false);
            }
        }
        catch (OperationCanceledException)
        {
            // The job has ended.
        }
    }

    /// <summary>False when another node has the job. While the database is away nobody can take it.</summary>
    private async Task<bool> TryHoldAsync(Job job, CancellationToken working)
    {
        try
        {
            return await board.HoldAsync(job.Id, job.Owner!.Value, working).ConfigureAwait(false);
        }
        catch (Exception problem) when (watch.Notes(problem))
        {
            return true;
        }
    }

    private Task<bool> EndAsync(Job ended, JobState state, string message, string? result) =>
        board.UpdateAsync(
            ended.Id,
            ended.Owner,
            job =>
            {
                (job.State, job.Message, job.Result, job.EndedAt) = (state, message, result, board.Now);
                if (state == JobState.Done) job.Done = job.Total;
            },
            CancellationToken.None);
}

/// <summary>Tells how far a job is, and learns whether it is still wanted here.</summary>
internal sealed class JobProgress(JobBoard board, Job job, CancellationTokenSource ending)
{
    private const long EveryMilliseconds = 200;
    private long told;

    public async Task TellAsync(string message, int done, int total)
    {
        told = Environment.TickCount64;
        var wanted = await board.UpdateAsync(
            job.Id,
            job.Owner,
            row =>
            {
                (row.Message, row.Done, row.Total) = (message, done, total);
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
