using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Server.Packs;

/// <summary>
/// Advice that was given already, by path and bytes of a file of the tray. It holds as long as the pack has the same new names in
/// places, the same edition and the same prefix: what lies over the base’s own files changes no advice.
/// </summary>
internal sealed class AdviceMemory
{
    private readonly Dictionary<(string Path, string Hash), PlacementAdvice> given = [];
    private Placer? placer;

    /// <summary>The memory to use after a change.</summary>
    public AdviceMemory For(Overlay? before, Overlay? after) =>
        before is not null && after is not null
        && ReferenceEquals(before.Base, after.Base) && before.Pack.Manifest.Prefix == after.Pack.Manifest.Prefix
        && Counting(before).SetEquals(Counting(after))
            ? this
            : new AdviceMemory();

    /// <summary>The advice for each file.</summary>
    public IReadOnlyList<PlacementAdvice> Advise(Overlay overlay, IEnumerable<TreeFile> files)
    {
        lock (given)
        {
            return [.. files.Select(file => given.GetValueOrDefault(KeyOf(file)) ?? Keep(overlay, file))];
        }
    }

    private PlacementAdvice Keep(Overlay overlay, TreeFile file)
    {
        placer ??= new Placer(overlay);
        var path = PackPath.Parse(file.Path.Value[(ReservedFolder.Tray.Length + 1)..]);
        var advice = placer.Advise(file with { Path = path }) with { File = file };
        given[KeyOf(file)] = advice;
        return advice;
    }

    private static (string Path, string Hash) KeyOf(TreeFile file) => (file.Path.Value, PackSnapshot.HashOf(file));

    /// <summary>The paths of the pack on which advice depends: new names, and files that others stand back behind.</summary>
    private static HashSet<PackPath> Counting(Overlay overlay)
    {
        var ranking = overlay.Profile.Places
            .SelectMany(p => p.RulesOf<OutrankedByRule>(overlay.Edition))
            .SelectMany(r => r.Places)
            .ToHashSet(StringComparer.Ordinal);
        return [.. overlay.Pack.Placements
            .Where(p => overlay.Base.Find(p.Path) is null || ranking.Contains(p.Place.Key))
            .Select(p => p.Path)];
    }
}
