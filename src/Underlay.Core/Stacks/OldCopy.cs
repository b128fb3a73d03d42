using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;

namespace Underlay.Core.Stacks;

/// <summary>
/// A file of the pack that was made of another edition's: what its author changed, and what the base changed since, held apart by a
/// comparison of three.
/// </summary>
/// <param name="Then">The edition whose file it was made of.</param>
/// <param name="Since">What the base changed since and the author did not: by place, the value now.</param>
/// <param name="New">Ids and keys that came since.</param>
/// <param name="Both">What both changed; the author's value stands.</param>
/// <param name="Yours">What only the author changed.</param>
public sealed record OldCopy(
    Edition Then,
    IReadOnlyDictionary<ValuePlace, string> Since,
    IReadOnlyList<string> New,
    IReadOnlyList<ValuePlace> Both,
    IReadOnlyList<ValuePlace> Yours)
{
    /// <summary>
    /// What a file of the pack is a copy of; null where it takes the place of none, is nearest to the base's of now, or what the
    /// base changed since is in it.
    /// </summary>
    public static OldCopy? Of(Overlay overlay, Placement mine)
    {
        if (overlay.Base.Find(mine.Path) is not { } below || below.Facts.Hash == mine.Facts.Hash) return null;
        var list = overlay.Profile.FindItems(mine.Place);
        FlatFile? Flat(FileFacts facts) => FlatFile.Of(facts, mine.Place, list);
        if (Flat(mine.Facts) is not { } own || Flat(below.Facts) is not { } now) return null;
        // Of editions that are as near, the newest.
        var nearest = overlay.OtherBases
            .Where(b => b.Edition.Order < overlay.Edition.Order)
            .Select(b => (b.Edition, File: b.Find(mine.Path)))
            .Where(b => b.File is not null && b.File.Facts.Hash != below.Facts.Hash)
            .Select(b => (b.Edition, Flat: Flat(b.File!.Facts)))
            .Where(b => b.Flat is not null)
            .Select(b => (b.Edition, Then: b.Flat!, Alike: own.Alike(b.Flat!)))
            .OrderByDescending(b => b.Alike)
            .ThenByDescending(b => b.Edition.Order)
            .FirstOrDefault();
        if (nearest.Then is not { } then || nearest.Alike <= own.Alike(now)) return null;
        var copy = Compare(nearest.Edition, then, own, now);
        return copy.Since.Count == 0 && copy.Both.Count == 0 ? null : copy;
    }

    /// <summary>
    /// A comparison of three. What the author took out stays out; what the base took out stays in, for editions that have it.
    /// </summary>
    internal static OldCopy Compare(Edition edition, FlatFile then, FlatFile own, FlatFile now)
    {
        var (mine, old) = (own.Items.ToHashSet(StringComparer.Ordinal), then.Items.ToHashSet(StringComparer.Ordinal));
        var since = new Dictionary<ValuePlace, string>();
        var both = new List<ValuePlace>();
        foreach (var (at, value) in now.Values)
        {
            if (then.Values.TryGetValue(at, out var was) && was == value) continue;
            if (at.Item is { } item && !mine.Contains(item))
            {
                if (!old.Contains(item)) since[at] = value;
                continue;
            }

            var has = own.Values.TryGetValue(at, out var said);
            if (has && said == value) continue;
            if (has ? said == was : was is null) since[at] = value;
            else if (has) both.Add(at);
        }

        var yours = own.Values
            .Where(v => then.Values.GetValueOrDefault(v.Key) != v.Value && now.Values.GetValueOrDefault(v.Key) != v.Value)
            .Select(v => v.Key)
            .Except(both);
        return new OldCopy(edition, since, [.. now.Items.Where(i => !mine.Contains(i) && !old.Contains(i))], both, [.. yours]);
    }
}
