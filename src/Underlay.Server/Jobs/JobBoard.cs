using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Data;
using Underlay.Data.Jobs;
using Underlay.Data.Operations;
using Underlay.Server.Hosting;

namespace Underlay.Server.Jobs;

/// <summary>Long work as pages see it: a row with progress, which is carried out by a worker of any node.</summary>
internal sealed class JobBoard(IDbContextFactory<UnderlayDatabase> databases, IHttpContextAccessor request, TimeProvider clock)
{
    /// <summary>The channel that tells of jobs: "pack id:job id".</summary>
    public const string Channel = "underlay_jobs";

    /// <summary>How long a node may be silent before its work is taken up by another.</summary>
    public static readonly TimeSpan Hold = TimeSpan.FromSeconds(10);

    /// <summary>Asks for work; the same work that is under way is not begun twice.</summary>
    public async Task<Job> AskAsync(Guid packId, string kind, string key, string asked, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var job = new Job
        {
            Id = Guid.CreateVersion7(),
            PackId = packId,
            Kind = kind,
            Key = key,
            Request = asked,
            CreatedAt = clock.GetUtcNow(),
            Message = "Waiting",
        };
        database.Jobs.Add(job);
        if (request.HttpContext.WriteKey() is { } sent) database.Writes.Add(new KeptWrite { Key = sent, At = clock.GetUtcNow() });
        try
        {
            await database.SaveChangesAsync(cancel).ConfigureAwait(false);
        }
        catch (DbUpdateException problem)
            when (problem.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            database.ChangeTracker.Clear();
            return await database.Jobs
                .AsNoTracking()
                .FirstOrDefaultAsync(
                    j => j.Key == key && (j.State == JobState.Queued || j.State == JobState.Running),
                    cancel).ConfigureAwait(false)
                ?? throw new ProblemException(409, "conflict", "The same work has just ended; ask again if it is still wanted.");
        }
        catch (DbUpdateException problem)
            when (problem.InnerException is PostgresException { SqlState: PostgresErrorCodes.ForeignKeyViolation })
        {
            throw ProblemException.NoPack();
        }

        await TellAsync(database, job, cancel).ConfigureAwait(false);
        return job;
    }

    /// <summary>Changes a job's row and tells the pages.</summary>
    /// <param name="id">The job.</param>
    /// <param name="owner">Who carries it out; null for the author, who may be asked for at any time.</param>
    /// <param name="change">The change.</param>
    /// <param name="cancel">Nothing is changed when it comes in time.</param>
    /// <returns>Whether it is still wanted of the one who asks: neither ended by the author nor taken up by another node.</returns>
    public async Task<bool> UpdateAsync(Guid id, Guid? owner, Action<Job> change, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        if (await database.Jobs.FirstOrDefaultAsync(j => j.Id == id, cancel).ConfigureAwait(false) is not { } job) return false;
        if (owner is not null && job.Owner != owner) return false;
        change(job);
        try
        {
            await database.SaveChangesAsync(cancel).ConfigureAwait(false);
        }
        catch (DbUpdateConcurrencyException)
        {
            // It changed hands meanwhile: the author asks for the row as it is now, who lost it asks for nothing more.
            return owner is null && await UpdateAsync(id, owner, change, cancel).ConfigureAwait(false);
        }

        await TellAsync(database, job, cancel).ConfigureAwait(false);
        return !job.CancelAsked;
    }

    /// <summary>Takes the oldest job that waits, or whose node is gone; null when there is none.</summary>
    public async Task<Job?> TakeAsync(CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var (now, until) = (clock.GetUtcNow(), clock.GetUtcNow() + Hold);
        var owner = Guid.CreateVersion7();
        var taken = await database.Jobs.FromSql(
            $"""
            UPDATE jobs SET state = 'running', held_until = {until}, owner = {owner}
            WHERE id = (
                SELECT id FROM jobs WHERE state = 'queued' OR (state = 'running' AND held_until < {now})
                ORDER BY created_at LIMIT 1 FOR UPDATE SKIP LOCKED)
            RETURNING *
            """).AsNoTracking().ToListAsync(cancel).ConfigureAwait(false);
        return taken.FirstOrDefault();
    }

    /// <summary>Keeps a job that is being carried out from being taken by another node; false when one has it already.</summary>
    public async Task<bool> HoldAsync(Guid id, Guid owner, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var until = clock.GetUtcNow() + Hold;
        var held = await database.Jobs
            .Where(j => j.Id == id && j.Owner == owner)
            .ExecuteUpdateAsync(j => j.SetProperty(x => x.HeldUntil, until), cancel).ConfigureAwait(false);
        return held > 0;
    }

    public async Task<Job?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        return await database.Jobs.AsNoTracking().FirstOrDefaultAsync(j => j.Id == id, cancel).ConfigureAwait(false);
    }

    public DateTimeOffset Now => clock.GetUtcNow();

    private static Task<int> TellAsync(UnderlayDatabase database, Job job, CancellationToken cancel) =>
        database.Database.ExecuteSqlAsync($"SELECT pg_notify({Channel}, {$"{job.PackId}:{job.Id}"})", cancel);
}
