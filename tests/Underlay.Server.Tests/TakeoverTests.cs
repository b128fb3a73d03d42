using Microsoft.AspNetCore.Http;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Logging.Abstractions;
using Underlay.Data.Jobs;
using Underlay.Server.Hosting;
using Underlay.Server.Jobs;

namespace Underlay.Server.Tests;

public class TakeoverTests
{
    [Fact]
    public async Task A_job_of_a_silent_node_is_taken_over_and_the_silent_node_writes_no_more_of_it()
    {
        await using var database = await OwnDatabase.MakeAsync();
        var clock = new HandClock();
        var (silent, other) = (new Node(database, clock), new Node(database, clock));
        var asked = await silent.Board.AskAsync(database.Pack, "test", "test", "{}", default);

        var running = silent.RunAsync(await silent.Board.TakeAsync(default));
        await silent.Work.Begun;
        Assert.Null(await other.Board.TakeAsync(default));
        clock.Pass(JobBoard.Hold * 2);
        var taken = await other.Board.TakeAsync(default);
        Assert.Equal(asked.Id, taken?.Id);

        other.Work.End("\"other\"");
        await other.RunAsync(taken);
        silent.Work.End("\"silent\"");
        await running;
        var job = await silent.Board.FindAsync(asked.Id, default);
        Assert.Equal((JobState.Done, "\"other\"", taken!.Owner), (job!.State, job.Result, job.Owner));
    }

    [Fact]
    public async Task Who_lost_a_job_neither_holds_nor_changes_it()
    {
        await using var database = await OwnDatabase.MakeAsync();
        var clock = new HandClock();
        var board = new Node(database, clock).Board;
        await board.AskAsync(database.Pack, "test", "test", "{}", default);
        var lost = (await board.TakeAsync(default))!;
        clock.Pass(JobBoard.Hold * 2);
        var held = (await board.TakeAsync(default))!;
        Assert.False(await board.HoldAsync(lost.Id, lost.Owner!.Value, default));
        Assert.True(await board.HoldAsync(held.Id, held.Owner!.Value, default));
        Assert.False(await board.UpdateAsync(lost.Id, lost.Owner, job => job.Message = "Lost", default));
        Assert.True(await board.UpdateAsync(held.Id, held.Owner, job => job.Message = "Held", default));
        Assert.Equal("Held", (await board.FindAsync(held.Id, default))!.Message);
    }

    [Fact]
    public async Task A_hold_survives_connections_that_break()
    {
        await using var database = await OwnDatabase.MakeAsync();
        var node = new Node(database, TimeProvider.System);
        var asked = await node.Board.AskAsync(database.Pack, "test", "test", "{}", default);
        var running = node.RunAsync(await node.Board.TakeAsync(default));
        await node.Work.Begun;
        await database.BreakConnectionsAsync();
        await node.Noted;
        Assert.False(running.IsCompleted);
        node.Work.End("1");
        await running;
        Assert.Equal(JobState.Done, (await node.Board.FindAsync(asked.Id, default))!.State);
    }

    /// <summary>One server's part in jobs.</summary>
    private sealed class Node
    {
        private readonly JobRunner runner;
        private readonly NotedLogger noted = new();

        public Node(IDbContextFactory<Data.UnderlayDatabase> database, TimeProvider clock)
        {
            Board = new JobBoard(database, new HttpContextAccessor(), clock);
            runner = new JobRunner(Board, [Work], new DatabaseWatch(clock, noted), clock, NullLogger<JobRunner>.Instance);
        }

        public JobBoard Board { get; }

        public WaitingWork Work { get; } = new();

        /// <summary>Ends when the database was found not to answer.</summary>
        public Task Noted => noted.Noted.Task;

        public Task RunAsync(Job? job) => runner.RunAsync(job!, default);
    }

    /// <summary>Work that goes on until it is told what comes of it.</summary>
    private sealed class WaitingWork : IJobWork
    {
        private readonly TaskCompletionSource begun = new(), told = new();
        private string result = "";

        public string Kind => "test";

        public Task Begun => begun.Task;

        public void End(string with)
        {
            result = with;
            told.SetResult();
        }

        public async Task<string> RunAsync(Job job, JobProgress progress, CancellationToken cancel)
        {
            begun.TrySetResult();
            await told.Task;
            return result;
        }
    }

    private sealed class HandClock : TimeProvider
    {
        private DateTimeOffset now = DateTimeOffset.UtcNow;

        public void Pass(TimeSpan time) => now += time;

        public override DateTimeOffset GetUtcNow() => now;
    }

    private sealed class NotedLogger : ILogger<DatabaseWatch>
    {
        public TaskCompletionSource Noted { get; } = new();

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(
            LogLevel logLevel,
            EventId eventId,
            TState state,
            Exception? exception,
            Func<TState, Exception?, string> formatter) =>
            Noted.TrySetResult();
    }
}
