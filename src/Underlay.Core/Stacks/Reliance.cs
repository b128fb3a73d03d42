using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>
/// Tells which files with the base's own bytes may leave the pack without a change in the host. A file at whose path the base
/// shows the same picture may still be needed: its set or series has to come whole from one package, the pack's index names
/// it, or the pack is for editions whose base has something else there.
/// </summary>
public sealed class Reliance
{
    private readonly Overlay overlay;
    private readonly ILookup<(string Place, Bindings Key), Placement> together;
    private readonly HashSet<PackPath> indexed;
    private readonly List<BaseFiles.BaseCatalogue> alsoFor;

    /// <summary>Looks at a pack over its base.</summary>
    public Reliance(Overlay overlay)
    {
        this.overlay = overlay;
        together = overlay.Pack.Placements
            .Where(p => overlay.FindDrop(p.Path) is null && HoleOf(p.Place) is not null)
            .ToLookup(KeyOf);
        var manifest = overlay.Pack.Manifest;
        alsoFor = manifest.IsSound && manifest.From != manifest.To ? [.. overlay.OtherBases.Where(b => manifest.Declares(b.Edition))] : [];
        indexed = IndexedFiles();
    }

    /// <summary>True when the file has the base's own bytes, in every edition that the pack is for.</summary>
    public bool IsCopy(PackPath path, ContentHash hash) =>
        overlay.Base.Find(path)?.Facts.Hash == hash && alsoFor.TrueForAll(b => b.Find(path)?.Facts.Hash == hash);

    /// <summary>True when the file may leave the pack: what else the pack has does not rely on it.</summary>
    /// <param name="placement">A file of the pack on a path of the base.</param>
    public bool MayLeave(Placement placement)
    {
        if (indexed.Contains(placement.Path)) return false;
        // A set or series with a change in it is the pack's as a whole; one without may go as a whole.
        return HoleOf(placement.Place) is null || together[KeyOf(placement)].All(m => IsCopy(m.Path, m.Facts.Hash));
    }

    /// <summary>True when no other file of the pack relies on this one, whatever its bytes are.</summary>
    public bool StandsAlone(Placement placement) => HoleOf(placement.Place) is null && !indexed.Contains(placement.Path);

    /// <summary>The placeholder whose values tell the members of a set or series of a place apart; null where it has none.</summary>
    internal string? HoleOf(Place place) =>
        place.RulesIn(overlay.Edition).Select(r => r switch
        {
            MemberOfSetRule set => set.Placeholder,
            SeriesRule series => series.Placeholder,
            _ => null,
        }).FirstOrDefault(hole => hole is not null);

    private (string Place, Bindings Key) KeyOf(Placement placement) =>
        (placement.Place.Key, placement.Bindings.With(HoleOf(placement.Place)!, ""));

    /// <summary>An index with the files that it names, unless all of them are copies and so may go together.</summary>
    private HashSet<PackPath> IndexedFiles()
    {
        var needed = new HashSet<PackPath>();
        foreach (
            var index in overlay.Profile.Places
                .Where(p => p.Content == PlaceContent.Index)
                .SelectMany(overlay.Pack.In)
                .Where(p => overlay.FindDrop(p.Path) is null))
        {
            var named = overlay.Pack.Placements.Where(p => index.Facts.Index?.Names(p.Path) == true).ToList();
            if (named.Append(index).All(p => IsCopy(p.Path, p.Facts.Hash))) continue;
            needed.Add(index.Path);
            needed.UnionWith(named.Select(p => p.Path));
        }

        return needed;
    }
}
