using Underlay.Core.Checks;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;

namespace Underlay.Core.Mending;

/// <summary>A fix that was applied.</summary>
/// <param name="Finding">What it repaired.</param>
/// <param name="Edits">What it changed.</param>
public sealed record AppliedFix(Finding Finding, IReadOnlyList<TreeEdit> Edits);

/// <summary>A fix that was not applied, because the host would show something wrong afterwards that it shows right now.</summary>
/// <param name="Finding">What it would have repaired.</param>
/// <param name="Would">What would go wrong.</param>
/// <param name="Chain">
/// The repairs, it among them, that hold all together though it does not alone, in their order; empty where there are none.
/// </param>
public sealed record HeldBack(Finding Finding, IReadOnlyList<Prediction> Would, IReadOnlyList<AppliedFix> Chain);

/// <summary>What came of applying fixes.</summary>
/// <param name="Tree">The pack after them.</param>
/// <param name="Applied">The fixes, in order.</param>
/// <param name="Held">Those that would have made the pack worse.</param>
/// <param name="Report">The check of the pack after them.</param>
public sealed record FixOutcome(FileTree Tree, IReadOnlyList<AppliedFix> Applied, IReadOnlyList<HeldBack> Held, CheckReport Report);

/// <summary>
/// Checks, repairs and checks again until nothing is left to repair. A repair that makes the pack worse in the host is made together
/// with those that it needs (<see cref="RepairChain"/>), as far as they are asked for too, or held back.
/// </summary>
public sealed class FixRunner
{
    // Each round must apply a fix; a cycle of fixes would be a bug, and this ends it.
    private const int MostRounds = 20;

    // Of so many that are held back it is found out what they would take.
    private const int MostExplained = 20;

    private readonly string packName;
    private readonly Author author;
    private readonly HostProfile profile;
    private readonly Func<FileTree, CheckReport> check;
    private readonly List<AppliedFix> applied = [];
    private readonly Dictionary<FindingKey, HeldBack> held = [];

    private FixRunner(string packName, Author? author, HostProfile profile, Func<FileTree, CheckReport> check)
    {
        this.packName = packName;
        this.author = author ?? Author.Unknown;
        this.profile = profile;
        this.check = check;
    }

    /// <summary>Applies fixes.</summary>
    /// <param name="packName">The pack's name, for what a manifest would say.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="check">Checks a tree.</param>
    /// <param name="profile">The host.</param>
    /// <param name="only">
    /// Codes whose fixes to apply, those that leave a choice or change bytes too; empty for all fixes that lose nothing and leave
    /// no choice.
    /// </param>
    /// <param name="author">What the author said of themselves once.</param>
    public static FixOutcome Run(
        string packName,
        FileTree tree,
        Func<FileTree, CheckReport> check,
        HostProfile profile,
        IReadOnlyCollection<string> only,
        Author? author = null)
    {
        var runner = new FixRunner(packName, author, profile, check);
        var report = check(tree);
        for (var round = 0; round < MostRounds; round++)
        {
            var before = runner.applied.Count;
            var wanted = report.Findings
                .Where(f => f.Waiver is null && f.Fix is { } fix && IsWanted(f, fix, only) && !runner.held.ContainsKey(f.Key));
            (tree, report) = runner.Apply(tree, report, Uncontested(wanted));
            if (runner.applied.Count > before) continue;
            (tree, report) = runner.ApplyChains(tree, report, f => IsWanted(f, f.Fix!, only));
            if (runner.applied.Count == before) break;
        }

        return runner.Outcome(tree, report);
    }

    /// <summary>Applies the fixes of these findings, each as far as it still applies and makes nothing worse.</summary>
    /// <param name="packName">The pack's name, for what a manifest would say.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="report">Their check.</param>
    /// <param name="check">Checks a tree.</param>
    /// <param name="profile">The host.</param>
    /// <param name="wanted">The findings, with the fixes to apply.</param>
    /// <param name="made">All these fixes, where they were made of the same pack already.</param>
    /// <param name="withChains">Whether what these fixes need to hold is repaired along.</param>
    /// <param name="author">What the author said of themselves once.</param>
    public static FixOutcome Apply(
        string packName,
        FileTree tree,
        CheckReport report,
        Func<FileTree, CheckReport> check,
        HostProfile profile,
        IReadOnlyList<Finding> wanted,
        FixDraft? made = null,
        bool withChains = false,
        Author? author = null)
    {
        var runner = new FixRunner(packName, author, profile, check);
        (tree, report) = runner.Apply(tree, report, Uncontested(wanted), made);
        if (withChains) (tree, report) = runner.ApplyChains(tree, report, _ => true);
        return runner.Outcome(tree, report);
    }

    /// <summary>These without those of which several would fill one path: two looks of the same files, say.</summary>
    private static List<Finding> Uncontested(IEnumerable<Finding> wanted)
    {
        var all = wanted.ToList();
        var contested = all.SelectMany(f => f.Fix!.Fills).GroupBy(p => p).Where(g => g.Count() > 1).Select(g => g.Key).ToHashSet();
        return contested.Count == 0 ? all : all.FindAll(f => !f.Fix!.Fills.Any(contested.Contains));
    }

    /// <summary>What a finding's fix changes, originals kept; nothing when it has no fix or the fix no longer applies.</summary>
    public static IReadOnlyList<TreeEdit> EditsOf(FileTree tree, Finding finding, FixContext context) =>
        EditsOf(tree, finding.Fix, context);

    /// <summary>What a fix changes, originals kept; nothing when it no longer applies.</summary>
    public static IReadOnlyList<TreeEdit> EditsOf(FileTree tree, Fix? fix, FixContext context) =>
        fix switch
        {
            null => [],
            { KeepsOriginals: false } => fix.Edit(tree, context),
            _ => KeepOriginals(tree, fix.Edit(tree, context)),
        };

    private FixContext ContextOf(CheckReport report) =>
        new(packName, profile, report.Edition, report.Overlay) { Author = author };

    private static bool IsWanted(Finding finding, Fix fix, IReadOnlyCollection<string> only) =>
        only.Count == 0 ? fix is { LosesNothing: true, LeavesNoChoice: true, IsOffer: false } : only.Contains(finding.Code.Value);

    /// <summary>
    /// Applies fixes all at once; where that makes the pack worse, those that have to do with it are looked at by themselves.
    /// </summary>
    private (FileTree Tree, CheckReport Report) Apply(
        FileTree tree,
        CheckReport report,
        IReadOnlyList<Finding> wanted,
        FixDraft? made = null)
    {
        var draft = made ?? FixDraft.Of(tree, wanted, ContextOf(report));
        var fixes = draft.Fixes;
        if (fixes.Count == 0) return (tree, report);
        var then = check(draft.After);
        var worse = Harm.Added(report, then);
        if (worse.Count == 0)
        {
            applied.AddRange(fixes);
            return (draft.After, then);
        }

        if (fixes is [var only])
        {
            held[only.Finding.Key] = new HeldBack(only.Finding, worse, []);
            return (tree, report);
        }

        var (suspects, others) = Split(fixes, worse, report.Edition);
        (tree, report) = Apply(tree, report, others);
        return Apply(tree, report, suspects);
    }

    /// <summary>Makes what is held back together with what it needs.</summary>
    private (FileTree Tree, CheckReport Report) ApplyChains(FileTree tree, CheckReport report, Func<Finding, bool> mayFollow)
    {
        foreach (var chain in ChainsOf(tree, report, [.. held.Values.Select(h => h.Finding)], mayFollow))
        {
            applied.AddRange(chain.Fixes);
            foreach (var fix in chain.Fixes) held.Remove(fix.Finding.Key);
            (tree, report) = (chain.After, chain.Report);
        }

        return (tree, report);
    }

    /// <summary>Chains that begin with these fixes, each of the pack as the one before left it: all at once, else by halves.</summary>
    private IEnumerable<RepairChain> ChainsOf(
        FileTree tree,
        CheckReport report,
        IReadOnlyList<Finding> first,
        Func<Finding, bool> mayFollow)
    {
        if (first.Count == 0) yield break;
        if (RepairChain.Find(ContextOf, report, tree, check, first, mayFollow) is { } all)
        {
            yield return all;
            yield break;
        }

        if (first.Count == 1) yield break;
        var half = first.Count / 2;
        foreach (var part in (IReadOnlyList<Finding>[])[[.. first.Take(half)], [.. first.Skip(half)]])
            foreach (var chain in ChainsOf(tree, report, part, mayFollow))
            {
                yield return chain;
                (tree, report) = (chain.After, chain.Report);
            }
    }

    /// <summary>What came of it; what is held back says what it would take.</summary>
    private FixOutcome Outcome(FileTree tree, CheckReport report) =>
        new(
            tree,
            applied,
            [
                .. held.Values.Select((h, i) => i < MostExplained
                    ? h with { Chain = RepairChain.Find(ContextOf, report, tree, check, [h.Finding], _ => true)?.Fixes ?? [] }
                    : h),
            ],
            report);

    /// <summary>The fixes that touch what would go wrong, and the others; halves where that tells nothing apart.</summary>
    private (List<Finding> Suspects, List<Finding> Others) Split(
        IReadOnlyList<AppliedFix> fixes,
        IReadOnlyList<Prediction> worse,
        Edition edition)
    {
        var around = worse.SelectMany(p => Around(p.Path, edition)).ToHashSet(StringComparer.Ordinal);
        var suspects = fixes
            .Where(f => f.Edits.SelectMany(e => e.Touches).Any(p => Around(p.Value, edition).Any(around.Contains)))
            .Select(f => f.Finding)
            .ToList();
        var half = fixes.Count / 2;
        if (suspects.Count == 0 || suspects.Count == fixes.Count) suspects = [.. fixes.Skip(half).Select(f => f.Finding)];
        return (suspects, [.. fixes.Select(f => f.Finding).Except(suspects)]);
    }

    /// <summary>A path, its folder and its group: what a change there has to do with.</summary>
    private IEnumerable<string> Around(string path, Edition edition)
    {
        var file = path.Split('#')[0];
        yield return file;
        if (file.LastIndexOf('/') is var slash && slash > 0) yield return file[..slash];
        if (PackPath.TryParse(file, out var sound, out _) && profile.Locate(sound, edition) is { } located)
            yield return profile.Groups.KeyOf(located.Place, located.Bindings);
    }

    /// <summary>Puts a copy of each file that would be overwritten or deleted under the reserved folder first.</summary>
    private static IReadOnlyList<TreeEdit> KeepOriginals(FileTree tree, IReadOnlyList<TreeEdit> edits)
    {
        // A fix that keeps the original itself does so in its own way.
        var kept = edits.SelectMany(e => e.Touches).ToHashSet();
        var copies = edits
            .Select(e => e switch { TreeEdit.Write write => write.Path, TreeEdit.Delete delete => delete.Path, _ => (PackPath?)null })
            .OfType<PackPath>()
            .Where(path => !ReservedFolder.Holds(path))
            .Select(tree.Find)
            .OfType<TreeFile>()
            .Where(f => !kept.Contains(ReservedFolder.SourceOf(f.Path)) && tree.Find(ReservedFolder.SourceOf(f.Path)) is null)
            .Select(f => new TreeEdit.Copy(f.Path, ReservedFolder.SourceOf(f.Path)));
        return edits.Count == 0 ? edits : [.. copies, .. edits];
    }
}
