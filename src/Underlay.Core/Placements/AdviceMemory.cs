using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Advice that was given already, by path and bytes of a file of the tray. When the pack has changed, only what may be another now is
/// given anew: what asked the stack for something that changed, and what is called like something that came or went. May be used by
/// many threads.
/// </summary>
public sealed class AdviceMemory
{
    // What left the tray may come back: an author undoes.
    private const int MostKept = 50_000;

    private readonly Dictionary<(PackPath Path, ContentHash Bytes), GivenAdvice> given = [];
    private (Overlay Overlay, Placer Placer)? asOf;

    /// <summary>Where files of the tray belong, in their order.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="tray">Files below <see cref="ReservedFolder.Tray"/>.</param>
    /// <param name="reading">Begins to fetch files that will be read in this order; ended when they were. Null for nothing to do.</param>
    public IReadOnlyList<PlacementAdvice> Advise(
        Overlay overlay,
        IReadOnlyList<TreeFile> tray,
        Func<IReadOnlyList<TreeFile>, IDisposable>? reading = null)
    {
        lock (given)
        {
            var placer = MoveTo(overlay);
            var others = tray.Where(f => !given.ContainsKey(KeyOf(f))).ToList();
            using (reading?.Invoke(others))
            {
                var news = SideBySide.Select(others, f => Give(placer, f));
                foreach (var (file, its) in others.Zip(news)) given[KeyOf(file)] = its;
            }

            List<PlacementAdvice> all = [.. tray.Select(f => given[KeyOf(f)].Advice with { File = f })];
            if (given.Count > Math.Max(MostKept, tray.Count)) KeepOnly([.. tray.Select(KeyOf)]);
            return Placer.Join(overlay, all, f => Remember(placer, f));
        }
    }

    private PlacementAdvice Remember(Placer placer, TreeFile file)
    {
        if (!given.TryGetValue(KeyOf(file), out var its)) its = given[KeyOf(file)] = Give(placer, file);
        return its.Advice;
    }

    /// <summary>Forgets what may be another with this pack.</summary>
    private Placer MoveTo(Overlay overlay)
    {
        if (asOf is not var (before, placer)) placer = new Placer(overlay);
        else if (ReferenceEquals(before, overlay)) return placer;
        else if (SaysAlike(before, overlay) && StackChange.BesidesManifest(before, overlay) is { } change)
        {
            var (names, common) = (NameChange.Of(change, before, overlay), placer.Common);
            placer = placer.After(overlay, names);
            // A word that became common, or is no longer, leads whoever speaks it elsewhere.
            Forget(change, names, placer, placer.Common.ButFor(common));
        }
        else
        {
            given.Clear();
            placer = new Placer(overlay);
        }

        asOf = (overlay, placer);
        return placer;
    }

    private void Forget(StackChange change, NameChange names, Placer placer, CommonWords turned)
    {
        bool MayConcern(PackPath path) => names.MayConcern(path) || placer.IsSpoken(path, turned);
        var holds = SideBySide.Select(
            [.. given],
            g => (g.Key, Holds: !g.Value.Reads.MayDifferAfter(change) && !MayConcern(WithoutTray(g.Key.Path))));
        KeepOnly([.. holds.Where(h => h.Holds).Select(h => h.Key)]);
    }

    private void KeepOnly(HashSet<(PackPath Path, ContentHash Bytes)> kept)
    {
        foreach (var key in given.Keys.Where(k => !kept.Contains(k)).ToList()) given.Remove(key);
    }

    private static GivenAdvice Give(Placer placer, TreeFile file)
    {
        var (advice, asked) = ReadSet.Record(() => Advise(placer, file with { Path = WithoutTray(file.Path) }));
        return new GivenAdvice(advice, asked);
    }

    /// <summary>Advice on one file; where we fail at it that is said, so that the others of the tray are in reach.</summary>
    private static PlacementAdvice Advise(Placer placer, TreeFile file)
    {
        try
        {
            return placer.Advise(file);
        }
        catch (Exception fault) when (Faults.IsOurs(fault))
        {
            ReadSet.NoteEverything();
            var flaw = $"it cannot be judged: Underlay fails at it ({fault.GetType().Name}), which is a fault of Underlay’s";
            return new PlacementAdvice(file, [], flaw) { Fault = fault };
        }
    }

    /// <summary>True where two manifests say the same of what advice asks them for.</summary>
    private static bool SaysAlike(Overlay one, Overlay other)
    {
        var (profile, its, others) = (one.Profile, one.Pack.Manifest, other.Pack.Manifest);
        return ReferenceEquals(profile, other.Profile)
            && one.Pack.Has(profile.Manifest.Path) == other.Pack.Has(profile.Manifest.Path)
            && its.Prefix == others.Prefix
            && profile.Places.All(p => p.ManifestField is null || its.FindPath(p.ManifestField) == others.FindPath(p.ManifestField));
    }

    private static PackPath WithoutTray(PackPath path) => PackPath.Parse(path.Value[(ReservedFolder.Tray.Length + 1)..]);

    private static (PackPath Path, ContentHash Bytes) KeyOf(TreeFile file) => (file.Path, file.Hash);

    /// <summary>Advice, with what it asked the stack for.</summary>
    private sealed record GivenAdvice(PlacementAdvice Advice, ReadSet Reads);
}
