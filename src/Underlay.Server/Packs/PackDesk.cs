using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Underlay.Core.Checks;
using Underlay.Core.Packs;
using Underlay.Data;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Server.Hosting;
using Underlay.Server.Hosts;

namespace Underlay.Server.Packs;

/// <summary>
/// The packs that are being worked on, warm: a checked snapshot each, moved on from the log when the database has a newer
/// revision. Nothing here is needed to answer; a node that loses it opens the pack again.
/// </summary>
internal sealed class PackDesk(PackReader reader, OperationLog log, HostShelf hosts, IDbContextFactory<UnderlayDatabase> databases)
{
    // Large packs are a few dozen megabytes of facts.
    private const int MostSnapshots = 24;

    private readonly ConcurrentDictionary<Guid, Slot> slots = new();

    /// <summary>The pack as it is now.</summary>
    /// <exception cref="ProblemException">There is no such pack.</exception>
    public async Task<PackSnapshot> GetAsync(Guid id, CancellationToken cancel)
    {
        await using var database = await databases.CreateDbContextAsync(cancel).ConfigureAwait(false);
        var pack = await database.Packs.AsNoTracking().Where(p => p.Id == id).Select(p => new { p.Revision, p.Host, p.Name }).FirstOrDefaultAsync(cancel).ConfigureAwait(false)
            ?? throw ProblemException.NoPack();
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
                slot.Snapshot = behind.With(edits, revision);
            }
            else
            {
                var (tree, revision) = await reader.OpenAsync(id, cancel).ConfigureAwait(false) ?? throw ProblemException.NoPack();
                var profile = hosts.Get(pack.Host);
                var session = CheckSession.Open(profile, null, edition => hosts.Base(profile, edition), tree, null, cancel);
                slot.Snapshot = new PackSnapshot(id, pack.Name, profile, revision, session, new AdviceMemory());
                Trim();
            }

            return slot.Snapshot;
        }
        finally
        {
            slot.Gate.Release();
        }
    }

    /// <summary>Changes a pack and checks what the change touches.</summary>
    /// <param name="id">The pack.</param>
    /// <param name="expected">The revision that the author's page shows, or null.</param>
    /// <param name="what">What is done, as the author would say it.</param>
    /// <param name="edit">The edits, from the pack as it is.</param>
    /// <param name="cancel">Nothing is changed when it comes in time.</param>
    /// <returns>The pack after the change.</returns>
    public async Task<PackSnapshot> EditAsync(Guid id, long? expected, string what, Func<PackSnapshot, IReadOnlyList<TreeEdit>> edit, CancellationToken cancel)
    {
        var snapshot = await GetAsync(id, cancel).ConfigureAwait(false);
        var plan = Plan(snapshot.Tree, edit(snapshot));
        return await SettleAsync(id, await log.ApplyAsync(id, plan, what, "author", expected, cancel).ConfigureAwait(false), cancel).ConfigureAwait(false);
    }

    public async Task<PackSnapshot> UndoAsync(Guid id, long? expected, CancellationToken cancel) =>
        await SettleAsync(id, await log.UndoAsync(id, "author", expected, cancel).ConfigureAwait(false), cancel).ConfigureAwait(false);

    public async Task<PackSnapshot> RedoAsync(Guid id, long? expected, CancellationToken cancel) =>
        await SettleAsync(id, await log.RedoAsync(id, "author", expected, cancel).ConfigureAwait(false), cancel).ConfigureAwait(false);

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

    private async Task<PackSnapshot> SettleAsync(Guid id, EditOutcome outcome, CancellationToken cancel) => outcome switch
    {
        EditOutcome.Applied => await GetAsync(id, cancel).ConfigureAwait(false),
        EditOutcome.Stale stale => throw new ProblemException(412, "stale", "The pack was changed meanwhile, perhaps in another page. Nothing was overwritten; look at it as it is now and try again.") { Revision = stale.Revision },
        EditOutcome.Conflict conflict => throw new ProblemException(409, "conflict", $"{Names(conflict.Paths)} changed meanwhile. Nothing was overwritten.") { Paths = [.. conflict.Paths.Select(p => p.Value)] },
        EditOutcome.Collides collides => throw new ProblemException(409, "collides", $"{collides.Path} is there already, or would differ from another file in case only. Nothing was changed.") { Paths = [collides.Path.Value] },
        EditOutcome.Nothing => throw new ProblemException(409, "nothing-to-turn", "There is nothing to undo or redo."),
        _ => throw ProblemException.NoPack(),
    };

    private static string Names(IReadOnlyList<PackPath> paths) => paths.Count == 1 ? paths[0].Value : $"{paths[0]} and {paths.Count - 1} more files";

    private void Trim()
    {
        foreach (var (id, _) in slots.OrderByDescending(s => s.Value.LastUsed).Skip(MostSnapshots)) slots.TryRemove(id, out _);
    }

    private sealed class Slot
    {
        public SemaphoreSlim Gate { get; } = new(1);

        public PackSnapshot? Snapshot { get; set; }

        public long LastUsed { get; set; }
    }
}
