using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Runs checks over a pack laid on its base.</summary>
public sealed class CheckEngine
{
    // So few are looked at before threads would be.
    private const int FewGroups = 200;

    private readonly Check[] all;
    private readonly GroupChecks local;
    private readonly GroupChecks structural;

    /// <summary>An engine with these checks.</summary>
    public CheckEngine(IReadOnlyList<Check> checks)
    {
        all = [.. checks];
        local = new GroupChecks(checks.Where(c => c.Scope is CheckScope.File or CheckScope.Group));
        structural = new GroupChecks(checks.Where(c => c.Scope == CheckScope.Structure));
    }

    /// <summary>An engine with every check.</summary>
    public static CheckEngine Whole { get; } = new(CheckList.Engine);

    /// <summary>The findings.</summary>
    public IReadOnlyList<Finding> Run(Overlay overlay) => Run(overlay, EngineMemory.Empty).Findings;

    /// <summary>
    /// Runs again after a change. In groups that are as they were, checks of file and group scope do not look again, and
    /// those of structure scope only when what they asked may have another answer.
    /// </summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="before">What an earlier run handed on.</param>
    public EngineRun Run(Overlay overlay, EngineMemory before)
    {
        var sameStructure = before.Overlay?.HasStructureOf(overlay) == true;
        var change = before.Overlay is { } last && !sameStructure ? StackChange.Between(last, overlay) : null;
        var sameAuthor = before.Overlay?.Pack.Manifest.Prefix == overlay.Pack.Manifest.Prefix;
        bool Holds(Asked asked) => sameStructure || (change is not null && !asked.MayDifferAfter(change));
        bool IsKnown(Group group) => sameAuthor && before.Groups.TryGetValue(group.Key, out var known) && IsSame(known.Group, group);

        var changed = overlay.Groups.Where(g => !IsKnown(g)).ToList();
        var other = changed.Select(g => g.Key).ToHashSet(StringComparer.Ordinal);
        var anew = overlay.Groups.Where(g => other.Contains(g.Key) || !Holds(before.Groups[g.Key].Asked)).ToList();
        GroupFindings Inspect(Group group)
        {
            var known = other.Contains(group.Key) ? null : before.Groups[group.Key];
            var (structure, asked) = Asked.While(() => structural.Inspect(overlay, group));
            return new GroupFindings(group, known?.Local ?? local.Inspect(overlay, group), structure, asked);
        }

        var inspected = anew.Count < FewGroups ? [.. anew.Select(Inspect)] : SideBySide.Select(anew, Inspect);
        var byKey = inspected.ToDictionary(g => g.Group.Key, StringComparer.Ordinal);
        var groups = overlay.Groups.Select(g => byKey.GetValueOrDefault(g.Key) ?? before.Groups[g.Key]).ToList();
        var found = new List<Finding>();
        foreach (var group in groups)
        {
            found.AddRange(group.Local);
            found.AddRange(group.Structural);
        }

        var touched = changed.SelectMany(g => g.Shown.Concat(g.Dropped.Select(d => d.Placement))).Select(p => p.Path).ToHashSet();
        WholeFindings InspectWhole(Check check)
        {
            // What a finding says of a file holds for the bytes that it saw.
            if (check.Scope == CheckScope.Structure
                && before.Whole.TryGetValue(check, out var known)
                && Holds(known.Asked)
                && !known.Findings.Any(f => f.Saw.Keys.Any(touched.Contains)))
                return known;
            var (findings, asked) = Asked.While(() => check.Inspect(overlay).ToList());
            return new WholeFindings(findings, asked);
        }

        var whole = SideBySide.Select(all, InspectWhole);
        foreach (var check in whole) found.AddRange(check.Findings);
        var memory = new EngineMemory(
            overlay,
            groups.ToDictionary(g => g.Group.Key, StringComparer.Ordinal),
            all.Zip(whole).ToDictionary(w => w.First, w => w.Second));
        var told = Order(Together.Tell(Blame.Fold(found)), Waivers.Read(overlay.Pack.Tree).Waivers);
        return new EngineRun(told, memory, [.. anew.Select(g => g.Key)]);
    }

    private static List<Finding> Order(IEnumerable<Finding> findings, IReadOnlyList<Waiver> waivers)
    {
        var byKey = waivers.ToLookup(w => w.Key);
        var all = findings
            .Select(f => byKey[f.Key].FirstOrDefault(f.IsWaivedBy) is var waiver && waiver != f.Waiver ? f with { Waiver = waiver } : f)
            .ToList();
        var blocks = all.Exists(f => f.Blocks && !f.IsOnlyAlone);
        return
        [
            .. all
                .Where(f => !(f.IsOnlyAlone && blocks))
                .OrderBy(f => f.Path, StringComparer.Ordinal)
                .ThenBy(f => f.Code.Value, StringComparer.Ordinal)
                .ThenBy(f => f.Pointer, StringComparer.Ordinal)
                .ThenBy(f => f.Discriminator, StringComparer.Ordinal),
        ];
    }

    /// <summary>True when the same files, with the same facts, are shown and dropped for the same reasons.</summary>
    private static bool IsSame(Group before, Group now) =>
        ReferenceEquals(before, now)
        || (before.Shown.Count == now.Shown.Count
            && before.Dropped.Count == now.Dropped.Count
            && before.TakenOver.SequenceEqual(now.TakenOver, ReferenceEqualityComparer.Instance)
            && before.Shown.Zip(now.Shown).All(pair => IsSame(pair.First, pair.Second))
            && before.Dropped
                .Zip(now.Dropped)
                .All(
                    pair =>
                        IsSame(pair.First.Placement, pair.Second.Placement)
                            && pair.First.Code == pair.Second.Code
                            && pair.First.Rule == pair.Second.Rule));

    private static bool IsSame(Placement before, Placement now) =>
        before.Path == now.Path && before.Layer.IsBase == now.Layer.IsBase && ReferenceEquals(before.Facts, now.Facts);
}
