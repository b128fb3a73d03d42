using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>What a run found in each group, to be taken over by the next run where the group is the same.</summary>
/// <param name="Prefix">The author's prefix in that run.</param>
/// <param name="Groups">By key: the group and what checks of file and group scope found in it.</param>
public sealed record EngineMemory(string? Prefix, IReadOnlyDictionary<string, (Group Group, IReadOnlyList<Finding> Findings)> Groups)
{
    /// <summary>Nothing.</summary>
    public static EngineMemory Empty { get; } = new(null, new Dictionary<string, (Group, IReadOnlyList<Finding>)>());
}

/// <summary>What a run found, and what the next one may take over.</summary>
/// <param name="Findings">Each fact once, waivers applied, ordered by path, then code, pointer and discriminator.</param>
/// <param name="Memory">For the next run.</param>
/// <param name="Looked">Keys of the groups that were looked at anew.</param>
public sealed record EngineRun(IReadOnlyList<Finding> Findings, EngineMemory Memory, IReadOnlySet<string> Looked);

/// <summary>Runs checks over a pack laid on its base.</summary>
public sealed class CheckEngine
{
    // So few are looked at before threads would be.
    private const int FewGroups = 200;

    private readonly Check[] local;
    private readonly Check[] wide;
    private readonly Check[] wideAtDrops;
    private readonly Check[] wideInGroups;

    /// <summary>An engine with these checks.</summary>
    public CheckEngine(IReadOnlyList<Check> checks)
    {
        local = [.. checks.Where(c => c.Scope != CheckScope.Pack)];
        wide = [.. checks.Where(c => c.Scope == CheckScope.Pack)];
        wideAtDrops = [.. wide.Where(c => c is ILooksAtDrops)];
        wideInGroups = [.. wide.Where(c => c is ILooksAtGroups)];
    }

    /// <summary>An engine with every check.</summary>
    public static CheckEngine Whole { get; } = new(CheckList.Engine);

    /// <summary>The findings.</summary>
    public IReadOnlyList<Finding> Run(Overlay overlay) => Run(overlay, EngineMemory.Empty).Findings;

    /// <summary>Runs again after a change: groups that are as they were are not looked at by checks of file and group scope.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="before">What an earlier run handed on.</param>
    public EngineRun Run(Overlay overlay, EngineMemory before)
    {
        var sameAuthor = before.Prefix == overlay.Pack.Manifest.Prefix;
        var changed = overlay.Groups.Where(g => !(sameAuthor && before.Groups.TryGetValue(g.Key, out var known) && IsSame(known.Group, g))).ToList();
        var looked = changed.Count < FewGroups
            ? changed.ToDictionary(g => g.Key, g => Inspect(overlay, g, local, local), StringComparer.Ordinal)
            : changed.AsParallel().Select(g => (g.Key, Findings: Inspect(overlay, g, local, local))).ToDictionary(g => g.Key, g => g.Findings, StringComparer.Ordinal);

        var memory = new Dictionary<string, (Group, IReadOnlyList<Finding>)>(overlay.Groups.Count, StringComparer.Ordinal);
        var found = new List<Finding>();
        foreach (var group in overlay.Groups)
        {
            var findings = looked.TryGetValue(group.Key, out var anew) ? anew : before.Groups[group.Key].Findings;
            memory[group.Key] = (group, findings);
            found.AddRange(findings);
            found.AddRange(Inspect(overlay, group, wideAtDrops, wideInGroups));
        }

        foreach (var check in wide) found.AddRange(check.Inspect(overlay));
        // Some checks of groups also have something to say of the pack as a whole.
        foreach (var check in local) found.AddRange(check.Inspect(overlay));
        return new EngineRun(Order(Blame.Fold(found), Waivers.Read(overlay.Pack.Tree).Waivers), new EngineMemory(overlay.Pack.Manifest.Prefix, memory), looked.Keys.ToHashSet(StringComparer.Ordinal));
    }

    private static List<Finding> Order(IEnumerable<Finding> findings, IReadOnlyList<Waiver> waivers) =>
    [
        .. findings
            .Select(f => f with { Waiver = waivers.FirstOrDefault(w => w.Covers(f)) })
            .OrderBy(f => f.Path, StringComparer.Ordinal)
            .ThenBy(f => f.Code.Value, StringComparer.Ordinal)
            .ThenBy(f => f.Pointer, StringComparer.Ordinal)
            .ThenBy(f => f.Discriminator, StringComparer.Ordinal),
    ];

    /// <summary>True when the same files, with the same facts, are shown and dropped for the same reasons.</summary>
    private static bool IsSame(Group before, Group now) =>
        before.Shown.Count == now.Shown.Count
        && before.Dropped.Count == now.Dropped.Count
        && before.TakenOver.SequenceEqual(now.TakenOver, ReferenceEqualityComparer.Instance)
        && before.Shown.Zip(now.Shown).All(pair => IsSame(pair.First, pair.Second))
        && before.Dropped.Zip(now.Dropped).All(pair => IsSame(pair.First.Placement, pair.Second.Placement) && pair.First.Code == pair.Second.Code && pair.First.Rule == pair.Second.Rule);

    private static bool IsSame(Placement before, Placement now) =>
        before.Path == now.Path && before.FromBase == now.FromBase && ReferenceEquals(before.Facts, now.Facts);

    private static List<Finding> Inspect(Overlay overlay, Group group, Check[] atDrops, Check[] checks)
    {
        var found = new List<Finding>();
        foreach (var drop in group.Dropped)
            foreach (var check in atDrops) found.AddRange(check.Inspect(overlay, drop));
        foreach (var placement in group.Shown)
        {
            foreach (var check in checks) found.AddRange(check.Inspect(overlay, placement));
            foreach (var active in overlay.RulesFor(placement))
                foreach (var check in checks) found.AddRange(check.Inspect(overlay, placement, active));
        }

        return found;
    }
}
