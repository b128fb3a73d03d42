using Underlay.Core.Checks;
using Underlay.Core.Packs;
using Underlay.Data.Operations;

namespace Underlay.Server.Packs;

/// <summary>A pack as it will be once an edit is kept, which is checked while the database keeps it.</summary>
internal sealed class NextSnapshot : IDisposable
{
    private readonly PlannedFiles files;
    private readonly CancellationTokenSource stop;
    private readonly Task<PackSnapshot> check;

    private NextSnapshot(PackSnapshot now, PlannedFiles files, CheckSession? session, CancellationToken cancel)
    {
        this.files = files;
        stop = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        Revision = now.Revision + 1;
        check = Task.Run(() => Check(now, session), stop.Token);
    }

    /// <summary>The revision that the edit makes where no other comes between.</summary>
    public long Revision { get; }

    /// <summary>Begins to check.</summary>
    /// <param name="now">The pack before the edit.</param>
    /// <param name="files">What the edit leads to.</param>
    /// <param name="session">The check of the same edit, where there was one.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static NextSnapshot Begin(PackSnapshot now, PlannedFiles files, CheckSession? session, CancellationToken cancel) =>
        new(now, files, session, cancel);

    /// <summary>The pack as it will be.</summary>
    public Task<PackSnapshot> CheckedAsync() => check;

    /// <summary>The pack after the edit, which is kept by now; null where it has to be looked at anew.</summary>
    public async Task<PackSnapshot?> EndAsync()
    {
        // What fails here fails again where the pack is looked at anew, and is told of there.
        await ((Task)check).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        if (!check.IsCompletedSuccessfully) return null;
        files.AreKept();
        return await check.ConfigureAwait(false);
    }

    /// <summary>Stops a check that nobody waits for.</summary>
    public void Dispose()
    {
        stop.Cancel();
        stop.Dispose();
    }

    private PackSnapshot Check(PackSnapshot now, CheckSession? session)
    {
        var after = now.With(files.Edits, Revision, session, stop.Token);
        // Who drops files wants to know where they belong.
        if (files.Edits.Any(e => e is TreeEdit.Put { File.Path: var path } && path.IsBelow(ReservedFolder.Tray))) after.Advise();
        return after;
    }
}
