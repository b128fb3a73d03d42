using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Underlay.Core.Checks;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;
using Underlay.Data;
using Underlay.Data.Facts;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Server.Hosting;
using Underlay.Server.Hosts;

namespace Underlay.Server.Packs;

/// <summary>
/// The packs that are being worked on, warm: a checked snapshot each, moved on from the log when the database has a newer
/// revision. Nothing here is needed to answer; a node that loses it opens the pack again.
/// </summary>
internal sealed class PackService(
    PackReader reader,
    OperationLog log,
    NpgsqlDataSource source,
    FactsStore store,
    HostRegistry hosts,
    IDbContextFactory<UnderlayDatabase> databases,
    IHttpContextAccessor request,
    FaultLog faults)
{
    // Large packs are a few dozen megabytes of facts.
    private const long MostBytes = 1L << 30;

    private static readonly object InsteadKey = new();

    private readonly ConcurrentDictionary<Guid, Slot> slots = new();

    /// <summary>The pack as it is now.</summary>
    /// <exception cref="ProblemException">There is no such pack.</exception>
    public async Task<PackSnapshot> GetAsync(Guid id, CancellationToken cancel)
    {
        if (request.HttpContext?.Items[InsteadKey] is PackSnapshot instead && instead.Id == id) return instead;
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var pack = await database.Packs.AsNoTracking()
                .Where(p => p.Id == id)
                .Select(p => new { p.Revision, p.Host, p.Name, p.BinnedAt })
                .FirstOrDefaultAsync(cancel).ConfigureAwait(false)
            ?? throw ProblemException.NoPack();
        if (pack.BinnedAt is not null) throw ProblemException.InBin(pack.Name);
        var slot = slots.GetOrAdd(id, _ => new Slot());
        slot.LastUsed = Environment.TickCount64;
        if (slot.Snapshot is { } known && known.Revision >= pack.Revision) return known;
        await slot.Gate.WaitAsync(cancel).ConfigureAwait(false);
        try
        {
            if (slot.Snapshot is { } behind)
            {
                if (behind.Revision >= pack.Revision) return behind;
                var (edits, revision) = await reader.SinceAsync(id, behind.Tree, behind.Revision, cancel).ConfigureAwait(false);
                slot.Snapshot = behind.With(edits, revision, null, cancel);
            }
            else
            {
                var (tree, revision) = await reader.OpenAsync(id, cancel).ConfigureAwait(false) ?? throw ProblemException.NoPack();
                var profile = hosts.Get(pack.Host);
                var session = CheckSession.Open(profile, null, edition => hosts.Base(profile, edition), tree, cancel: cancel);
                slot.Snapshot = new PackSnapshot(id, pack.Name, profile, revision, session, new AdviceMemory());
                Trim();
            }

            foreach (var unjudged in slot.Snapshot.Report.Unjudged) faults.Note(unjudged.File, unjudged.Fault);
            return slot.Snapshot;
        }
        finally
        {
            slot.Gate.Release();
        }
    }

    /// <summary>What this request is shown of a pack in the place of what is there, until it is disposed of.</summary>
    public IDisposable Instead(PackSnapshot snapshot)
    {
        var items = request.HttpContext?.Items ?? throw new InvalidOperationException("Only a request is shown something else.");
        items[InsteadKey] = snapshot;
        return new Shown(items);
    }

    /// <summary>Leaves a file out of what is judged of a pack, as long as it is the same.</summary>
    public async Task LeaveOutAsync(Guid id, UnjudgedFile file, CancellationToken cancel)
    {
        if (!slots.TryGetValue(id, out var slot)) return;
        await slot.Gate.WaitAsync(cancel).ConfigureAwait(false);
        try
        {
            if (slot.Snapshot is { } snapshot) slot.Snapshot = snapshot.Without([file], cancel);
        }
        finally
        {
            slot.Gate.Release();
        }
    }

    /// <summary>The pack as it was at a revision, checked.</summary>
    /// <exception cref="ProblemException">There is no such pack, or it has not come to that revision.</exception>
    public async Task<PackSnapshot> AtAsync(Guid id, long revision, CancellationToken cancel)
    {
        var now = await GetAsync(id, cancel).ConfigureAwait(false);
        if (now.Revision == revision) return now;
        var tree = await reader.OpenAtAsync(id, revision, cancel).ConfigureAwait(false) ?? throw ProblemException.NoPack();
        var session = CheckSession.Open(now.Profile, null, edition => hosts.Base(now.Profile, edition), tree, cancel: cancel);
        return new PackSnapshot(id, now.Name, now.Profile, revision, session, new AdviceMemory());
    }

    /// <summary>Makes a pack with its first files.</summary>
    /// <param name="pack">The pack, not kept yet.</param>
    /// <param name="what">What is done, as the author would say it.</param>
    /// <param name="edits">Its first files.</param>
    /// <param name="cancel">Nothing is kept when it comes in time.</param>
    public async Task BeginAsync(Pack pack, string what, IReadOnlyList<TreeEdit> edits, CancellationToken cancel)
    {
        var outcome = await log.BeginAsync(pack, Plan(FileTree.Empty, edits), what, "author", Key, cancel).ConfigureAwait(false);
        if (outcome is not EditOutcome.Applied) throw Refuse(outcome);
    }

    /// <summary>Changes a pack and checks what the change touches.</summary>
    /// <param name="id">The pack.</param>
    /// <param name="expected">The revision that the author's page shows, or null.</param>
    /// <param name="what">What is done, as the author would say it.</param>
    /// <param name="edit">The edits, from the pack as it is.</param>
    /// <param name="cancel">Nothing is changed when it comes in time.</param>
    /// <param name="isAll">Whether the request asks for nothing besides, so that it is made once by its key.</param>
    /// <returns>The pack after the change.</returns>
    public Task<PackSnapshot> EditAsync(
        Guid id,
        long? expected,
        string what,
        Func<PackSnapshot, IReadOnlyList<TreeEdit>> edit,
        CancellationToken cancel,
        bool isAll = true) =>
        EditAsync(id, expected, what, snapshot => new PackEdit(edit(snapshot)), cancel, isAll);

    /// <inheritdoc cref="EditAsync(Guid, long?, string, Func{PackSnapshot, IReadOnlyList{TreeEdit}}, CancellationToken, bool)"/>
    public async Task<PackSnapshot> EditAsync(
        Guid id,
        long? expected,
        string what,
        Func<PackSnapshot, PackEdit> edit,
        CancellationToken cancel,
        bool isAll = true) =>
        await TryEditAsync(id, expected, what, edit, cancel, isAll).ConfigureAwait(false)
            ?? throw new InvalidOperationException("An edit that nobody judges was withheld.");

    /// <inheritdoc cref="EditAsync(Guid, long?, string, Func{PackSnapshot, IReadOnlyList{TreeEdit}}, CancellationToken, bool)"/>
    /// <returns>The pack after the change; null where the edit is not to be kept after all, and nothing was changed.</returns>
    public async Task<PackSnapshot?> TryEditAsync(
        Guid id,
        long? expected,
        string what,
        Func<PackSnapshot, PackEdit> edit,
        CancellationToken cancel,
        bool isAll = true)
    {
        var snapshot = await GetAsync(id, cancel).ConfigureAwait(false);
        var wanted = edit(snapshot);
        var plan = Plan(snapshot.Tree, wanted.Edits);
        var slot = slots.GetOrAdd(id, _ => new Slot());
        // Who sees the new revision meanwhile waits for its check.
        await slot.Gate.WaitAsync(cancel).ConfigureAwait(false);
        EditOutcome outcome;
        try
        {
            // Of no use where another edit came between: then the pack is looked at anew.
            using var next = plan.Rows.Count > 0 && slot.Snapshot == snapshot
                ? NextSnapshot.Begin(snapshot, new PlannedFiles(plan, snapshot.Tree, source, store), wanted.Checked, cancel)
                : null;
            // What was judged of another revision is not judged of this one.
            Func<long, Task<bool>>? holds = wanted.Holds is { } judge
                ? async revision => revision == next?.Revision && judge(await next.CheckedAsync().ConfigureAwait(false))
                : null;
            outcome = await log.ApplyAsync(id, plan, what, "author", expected, isAll ? Key : null, cancel, holds).ConfigureAwait(false);
            if (outcome is EditOutcome.Applied { Revision: var kept } && kept == next?.Revision)
                slot.Snapshot = await next.EndAsync().ConfigureAwait(false) ?? snapshot;
            if (plan.Rows.Count > 0) RevisionTag.TellAct(request.HttpContext, outcome);
        }
        finally
        {
            slot.Gate.Release();
        }

        return outcome is EditOutcome.Withheld ? null : await SettleAsync(id, outcome, cancel).ConfigureAwait(false);
    }

    public async Task<PackSnapshot> UndoAsync(Guid id, long? expected, CancellationToken cancel) =>
        await TurnedAsync(id, await log.UndoAsync(id, "author", expected, Key, cancel).ConfigureAwait(false), cancel).ConfigureAwait(false);

    public async Task<PackSnapshot> RedoAsync(Guid id, long? expected, CancellationToken cancel) =>
        await TurnedAsync(id, await log.RedoAsync(id, "author", expected, Key, cancel).ConfigureAwait(false), cancel).ConfigureAwait(false);

    private Task<PackSnapshot> TurnedAsync(Guid id, EditOutcome outcome, CancellationToken cancel)
    {
        RevisionTag.TellAct(request.HttpContext, outcome);
        return SettleAsync(id, outcome, cancel);
    }

    private Guid? Key => request.HttpContext.WriteKey();

    public void Forget(Guid id) => slots.TryRemove(id, out _);

    private static EditPlan Plan(FileTree tree, IReadOnlyList<TreeEdit> edits)
    {
        try
        {
            return EditPlan.Of(tree, edits);
        }
        catch (InvalidOperationException problem)
        {
            throw new ProblemException(409, "conflict", $"{problem.Message} Nothing was changed.");
        }
    }

    private async Task<PackSnapshot> SettleAsync(Guid id, EditOutcome outcome, CancellationToken cancel) =>
        outcome is EditOutcome.Applied ? await LookAgainAsync(id, cancel).ConfigureAwait(false) : throw Refuse(outcome);

    private static ProblemException Refuse(EditOutcome outcome) => outcome switch
    {
        EditOutcome.Stale stale => new ProblemException(
            412,
            "stale",
            "The pack was changed meanwhile, perhaps in another page. Nothing was overwritten; look at it as it is now and try again.")
        {
            Revision = stale.Revision,
        },
        EditOutcome.Conflict conflict => new ProblemException(
            409,
            "conflict",
            $"{Names(conflict.Paths)} changed meanwhile. Nothing was overwritten.")
        {
            Paths = [.. conflict.Paths.Select(p => p.Value)],
        },
        EditOutcome.Collides collides => new ProblemException(
            409,
            "collides",
            $"{collides.Path} is there already, differs from another file in case only, or would be both a file and a folder. "
                + "Nothing was changed.")
        {
            Paths = [collides.Path.Value],
        },
        EditOutcome.MadeBefore => ProblemException.MadeBefore(),
        EditOutcome.InBin bin => ProblemException.InBin(bin.Title),
        EditOutcome.Nothing => new ProblemException(409, "nothing-to-turn", "There is nothing to undo or redo."),
        _ => ProblemException.NoPack(),
    };

    /// <summary>The pack after a change that is kept. A problem here is not one of the change.</summary>
    private async Task<PackSnapshot> LookAgainAsync(Guid id, CancellationToken cancel)
    {
        try
        {
            return await GetAsync(id, cancel).ConfigureAwait(false);
        }
        catch (Exception problem) when (problem is not (ProblemException or OperationCanceledException))
        {
            throw new ProblemException(
                DatabaseTrouble.IsAway(problem) ? 503 : 500,
                "kept-unseen",
                "Your change is kept. The pack could not be looked at again just now; load the page anew.",
                problem);
        }
    }

    private static string Names(IReadOnlyList<PackPath> paths) =>
        paths.Count == 1 ? paths[0].Value : $"{paths[0]} and {paths.Count - 1} more files";

    private void Trim()
    {
        var kept = slots.Select(s => new Kept(s.Key, s.Value.LastUsed, s.Value.Snapshot?.Weight ?? 0));
        foreach (var id in SnapshotEviction.Surplus(kept, MostBytes)) slots.TryRemove(id, out _);
    }

    private sealed class Shown(IDictionary<object, object?> items) : IDisposable
    {
        public void Dispose() => items.Remove(InsteadKey);
    }

    private sealed class Slot
    {
        public SemaphoreSlim Gate { get; } = new(1);

        public PackSnapshot? Snapshot { get; set; }

        public long LastUsed { get; set; }
    }
}
