using Microsoft.EntityFrameworkCore;
using Underlay.Core.Packs;
using Underlay.Core.Renames;
using Underlay.Data;

namespace Underlay.Server.Packs;

/// <summary>
/// The author's other packs for a host, from which what is new in one is kept apart. Packs of one id are the same pack to the host, and
/// no others.
/// </summary>
internal sealed class OtherPacks
{
    private readonly UnderlayDatabase database;
    private readonly Dictionary<Guid, string> titles;

    private OtherPacks(UnderlayDatabase database, Dictionary<Guid, string> titles, IReadOnlyList<TakenNumber> numbers)
    {
        this.database = database;
        this.titles = titles;
        Numbers = numbers;
    }

    /// <summary>The numbers that their entries have, as far as they were looked at.</summary>
    public IReadOnlyList<TakenNumber> Numbers { get; }

    public static async Task<OtherPacks> OfAsync(PackSnapshot snapshot, UnderlayDatabase database, CancellationToken cancel)
    {
        var (host, id) = (snapshot.Profile.Key, snapshot.Overlay?.Pack.Manifest.Id);
        var rows = await database.Packs
            .AsNoTracking()
            .Where(p => p.Host == host && p.Id != snapshot.Id && p.BinnedAt == null)
            .Select(p => new { p.Id, p.Name, p.Summary })
            .ToListAsync(cancel).ConfigureAwait(false);
        var others = rows
            .Select(p => (p.Id, p.Name, Kept: KeptSummary.Read(p.Summary)))
            .Where(p => id is null || p.Kept?.Summary.PackId != id)
            .ToList();
        return new OtherPacks(
            database,
            others.ToDictionary(p => p.Id, p => p.Kept?.Summary.Title ?? p.Name),
            [.. others.SelectMany(p => p.Kept?.Numbers ?? []).Distinct()]);
    }

    /// <summary>The new files of a plan that another pack has too, each with that pack's title.</summary>
    public async Task<IReadOnlyList<PlanLine>> MeetingAsync(EntryPlan plan, PackSnapshot snapshot, CancellationToken cancel)
    {
        var added = plan.Edits
            .Select(e => e switch
            {
                TreeEdit.Put(var file) => file.Path,
                TreeEdit.Write(var path, _) => path,
                _ => default,
            })
            .Where(p => p != default && IsNew(snapshot, p))
            .Select(p => p.Value)
            .Distinct()
            .ToList();
        if (added.Count == 0) return [];
        var packs = titles.Keys.ToList();
        var there = await database.PackFiles
            .AsNoTracking()
            .Where(f => packs.Contains(f.PackId) && added.Contains(f.Path))
            .Select(f => new { f.PackId, f.Path })
            .ToListAsync(cancel).ConfigureAwait(false);
        return
        [
            .. there.OrderBy(f => f.Path, StringComparer.Ordinal).ThenBy(f => titles[f.PackId], StringComparer.Ordinal).Select(
                f => new PlanLine(
                    PackPath.Parse(f.Path),
                    $"your pack “{titles[f.PackId]}” has this path too: where both are laid, only one of them is seen. Another name "
                        + "keeps them apart")),
        ];
    }

    /// <summary>The plan with the new files that another pack has told first.</summary>
    public async Task<EntryPlan> TellAsync(EntryPlan plan, PackSnapshot snapshot, CancellationToken cancel) =>
        plan with { Lines = [.. await MeetingAsync(plan, snapshot, cancel).ConfigureAwait(false), .. plan.Lines] };

    /// <summary>True where the host takes the file whole, and neither the pack nor the base has one there yet.</summary>
    private static bool IsNew(PackSnapshot snapshot, PackPath path) =>
        snapshot.Overlay is { } overlay
        && overlay.Profile.Locate(path, overlay.Edition) is { Place.Table: null }
        && snapshot.Tree.Find(path) is null
        && overlay.Base.Find(path) is null;
}
