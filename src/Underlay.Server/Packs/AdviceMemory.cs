using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;
using Underlay.Data.Blobs;

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
    public IReadOnlyList<PlacementAdvice> Advise(Overlay overlay, IReadOnlyList<TreeFile> files)
    {
        lock (given)
        {
            var others = files.Where(f => !given.ContainsKey(KeyOf(f))).ToList();
            using var ahead = ReadAhead.Of(others);
            placer ??= new Placer(overlay);
            var advice = placer.Advise([.. others.Select(f => f with { Path = WithoutTray(f.Path) })]);
            foreach (var (file, its) in others.Zip(advice)) given[KeyOf(file)] = its with { File = file };
            return [.. files.Select(f => given[KeyOf(f)])];
        }
    }

    private static PackPath WithoutTray(PackPath path) => PackPath.Parse(path.Value[(ReservedFolder.Tray.Length + 1)..]);

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
