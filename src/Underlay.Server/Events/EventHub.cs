using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Npgsql;
using Underlay.Data.Operations;
using Underlay.Server.Hosting;
using Underlay.Server.Jobs;

namespace Underlay.Server.Events;

/// <summary>Something that pages want to know: a pack has a new revision, or a job has moved on.</summary>
/// <param name="Kind">pack, job, away while the database does not answer, or again where events may have been missed.</param>
internal sealed record ServerEvent(string Kind, Guid? Pack, long? Revision, Guid? Job);

/// <summary>Hands what the database tells on to every open page.</summary>
internal sealed class EventHub(NpgsqlDataSource source, DatabaseWatch watch, ILogger<EventHub> logger) : BackgroundService
{
    private const int MostWaiting = 256;

    private readonly ConcurrentDictionary<Guid, Channel<ServerEvent>> pages = new();

    private volatile bool isAway;

    private TaskCompletionSource jobTold = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <summary>Ends when something is told of a job.</summary>
    public Task JobTold => jobTold.Task;

    /// <summary>The events from now on.</summary>
    public async IAsyncEnumerable<ServerEvent> ListenAsync([EnumeratorCancellation] CancellationToken cancel)
    {
        var (key, channel) = (
            Guid.NewGuid(),
            Channel.CreateBounded<ServerEvent>(new BoundedChannelOptions(MostWaiting) { FullMode = BoundedChannelFullMode.DropOldest }));
        pages[key] = channel;
        try
        {
            yield return isAway ? Away : Again;
            await foreach (var item in channel.Reader.ReadAllAsync(cancel).ConfigureAwait(false)) yield return item;
        }
        finally
        {
            pages.TryRemove(key, out _);
        }
    }

    /// <summary>Lets the pages of this node fetch a pack again that is shown otherwise although it is the same.</summary>
    public void TellAgain(Guid pack) => Send(new ServerEvent("pack", pack, null, null));

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await using var connection = await source.OpenConnectionAsync(stoppingToken).ConfigureAwait(false);
                connection.Notification += (_, notice) => Tell(notice.Channel, notice.Payload);
                await using (var listen = new NpgsqlCommand($"LISTEN {OperationLog.Channel}; LISTEN {JobBoard.Channel}", connection))
                    await listen.ExecuteNonQueryAsync(stoppingToken).ConfigureAwait(false);
                isAway = false;
                watch.Back();
                Send(Again);
                while (true) await connection.WaitAsync(stoppingToken).ConfigureAwait(false);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                if (!watch.Notes(problem)) Log.Stumbled(logger, "Listening to the database", problem);
                isAway = true;
                Send(Away);
                await Task.Delay(TimeSpan.FromSeconds(1), stoppingToken).ConfigureAwait(false);
            }
        }
    }

    private static ServerEvent Again => new("again", null, null, null);

    private static ServerEvent Away => new("away", null, null, null);

    private void Tell(string channel, string payload)
    {
        if (payload.Split(':') is not [var pack, var rest] || !Guid.TryParse(pack, out var id)) return;
        if (channel == OperationLog.Channel && long.TryParse(rest, NumberStyles.None, CultureInfo.InvariantCulture, out var revision))
            Send(new ServerEvent("pack", id, revision, null));
        else if (Guid.TryParse(rest, out var job))
        {
            Send(new ServerEvent("job", id, null, job));
            Interlocked.Exchange(ref jobTold, new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously)).SetResult();
        }
    }

    private void Send(ServerEvent item)
    {
        foreach (var page in pages.Values) page.Writer.TryWrite(item);
    }
}
