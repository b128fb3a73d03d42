using System.Collections.Concurrent;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Runs checks over a pack laid on its base.</summary>
public sealed class CheckEngine
{
    // So few are looked at before threads would be.
    private const int FewGroups = 200;

    private readonly Check[] checks;
    private readonly GroupChecks local;
    private readonly GroupChecks structural;

    /// <summary>An engine with these checks.</summary>
    public CheckEngine(IReadOnlyList<Check> checks)
    {
        this.checks = [.. checks];
        local = new GroupChecks(checks.Where(c => c.Scope is CheckScope.File or CheckScope.Group));
        structural = new GroupChecks(checks.Where(c => c.Scope == CheckScope.Structure));
    }

    /// <summary>An engine with every check.</summary>
    public static CheckEngine Whole { get; } = new(CheckList.Engine);

    /// <summary>The findings.</summary>
    public IReadOnlyList<Finding> Run(Overlay overlay) => Run(overlay, EngineMemory.Empty).Findings;

    /// <summary>
    /// Runs again after a change: in groups that are as they were, checks look again only when what they asked may have another answer.
    /// </summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="before">What an earlier run handed on.</param>
    public EngineRun Run(Overlay overlay, EngineMemory before)
    {
        var sameStructure = before.Overlay?.HasStructureOf(overlay) == true;
        var change = before.Overlay is { } last && !sameStructure ? StackChange.Between(last, overlay) : null;
        var (was, manifest) = (before.Overlay?.Pack.Manifest, overlay.Pack.Manifest);
        var sameAuthor = was?.Prefix == manifest.Prefix && was?.Author == manifest.Author;
        bool Holds(Found found) => sameStructure || (change is not null && !found.Reads.MayDifferAfter(change));
        GroupFindings? KnownOf(Group group) =>
            sameAuthor && before.Groups.TryGetValue(group.Key, out var known) && IsSame(known.Group, group) ? known : null;

        var faults = new ConcurrentBag<JudgingFault>();
        GroupFindings Inspect((Group Group, GroupFindings? Known) looked)
        {
            var (group, known) = looked;
            Found Look(GroupChecks checks, Found? found) =>
                found is not null && Holds(found) ? found : Found.While(() => checks.Inspect(overlay, group, faults));
            return new GroupFindings(group, Look(local, known?.Local), Look(structural, known?.Structural));
        }

        var all = overlay.Groups.Select(g => (Group: g, Known: KnownOf(g))).ToList();
        var anew = all.Where(g => g.Known is not { } known || !Holds(known.Local) || !Holds(known.Structural)).ToList();
        var inspected = anew.Count < FewGroups ? [.. anew.Select(Inspect)] : SideBySide.Select(anew, Inspect);
        var byKey = inspected.ToDictionary(g => g.Group.Key, StringComparer.Ordinal);
        var groups = all.Select(g => byKey.GetValueOrDefault(g.Group.Key) ?? g.Known!).ToList();
        var found = new List<Finding>();
        foreach (var group in groups)
        {
            found.AddRange(group.Local.Findings);
            found.AddRange(group.Structural.Findings);
        }

        var changed = all.Where(g => g.Known is null).Select(g => g.Group);
        var touched = changed.SelectMany(g => g.Shown.Concat(g.Dropped.Select(d => d.Placement))).Select(p => p.Path).ToHashSet();
        Found? InspectWhole(Check check)
        {
            // What a finding says of a file holds for the bytes that it saw.
            if (check.Scope == CheckScope.Structure
                && before.Whole.TryGetValue(check, out var known)
                && Holds(known)
                && !known.Findings.Any(f => f.Saw.Keys.Any(touched.Contains)))
                return known;
            try
            {
                return Found.While(() => [.. check.Inspect(overlay)]);
            }
            catch (Exception fault) when (Faults.IsOurs(fault))
            {
                faults.Add(new JudgingFault(null, check.Code, fault));
                return null;
            }
        }

        var whole = SideBySide.Select(checks, InspectWhole);
        foreach (var check in whole) found.AddRange(check?.Findings ?? []);
        var memory = new EngineMemory(
            overlay,
            groups.ToDictionary(g => g.Group.Key, StringComparer.Ordinal),
            checks.Zip(whole).Where(w => w.Second is not null).ToDictionary(w => w.First, w => w.Second!));
        var told = Order(SharedCauses.Group(RootCauses.Fold(found)), Waivers.Read(overlay.Pack.Tree));
        return new EngineRun(overlay, told, memory, [.. anew.Select(g => g.Group.Key)], [.. faults]);
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
