using Underlay.Core.Checks;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>A fix that was applied.</summary>
/// <param name="Finding">What it repaired.</param>
/// <param name="Edits">What it changed.</param>
public sealed record AppliedFix(Finding Finding, IReadOnlyList<TreeEdit> Edits);

/// <summary>Checks, repairs and checks again until nothing is left to repair.</summary>
public static class FixRunner
{
    // Each round must apply a fix; a cycle of fixes would be a bug, and this ends it.
    private const int MostRounds = 20;

    /// <summary>Applies fixes.</summary>
    /// <param name="packName">The pack's name, for what a manifest would say.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="check">Checks a tree.</param>
    /// <param name="profile">The host.</param>
    /// <param name="only">Codes whose fixes to apply, those that leave a choice or change bytes too; empty for all fixes that lose nothing and leave no choice.</param>
    /// <returns>The tree after the fixes, the fixes in order, and the last report.</returns>
    public static (FileTree Tree, IReadOnlyList<AppliedFix> Applied, CheckReport Report) Run(
        string packName,
        FileTree tree,
        Func<FileTree, CheckReport> check,
        Hosts.HostProfile profile,
        IReadOnlyCollection<string> only)
    {
        var applied = new List<AppliedFix>();
        var report = check(tree);
        for (var round = 0; round < MostRounds; round++)
        {
            var context = new FixContext(packName, profile, report.Edition, report.Overlay);
            var before = applied.Count;
            foreach (var finding in report.Findings)
            {
                if (finding.Waiver is not null || finding.Fix is not { } fix || !IsWanted(finding, fix, only)) continue;
                var edits = EditsOf(tree, finding, context);
                if (edits.Count == 0) continue;
                tree = tree.With(edits);
                applied.Add(new AppliedFix(finding, edits));
            }

            if (applied.Count == before) break;
            report = check(tree);
        }

        return (tree, applied, report);
    }

    /// <summary>What a finding's fix changes, originals kept; nothing when it has no fix or the fix no longer applies.</summary>
    public static IReadOnlyList<TreeEdit> EditsOf(FileTree tree, Finding finding, FixContext context) =>
        finding.Fix switch
        {
            null => [],
            { KeepsOriginals: false } fix => fix.Edit(tree, context),
            var fix => KeepOriginals(tree, fix.Edit(tree, context)),
        };

    private static bool IsWanted(Finding finding, Fix fix, IReadOnlyCollection<string> only) =>
        only.Count == 0 ? fix is { LosesNothing: true, LeavesNoChoice: true } : only.Contains(finding.Code.Value);

    /// <summary>Puts a copy of each file that would be overwritten or deleted under the reserved folder first.</summary>
    private static IReadOnlyList<TreeEdit> KeepOriginals(FileTree tree, IReadOnlyList<TreeEdit> edits)
    {
        var copies = edits
            .Select(e => e switch { TreeEdit.Write write => write.Path, TreeEdit.Delete delete => delete.Path, _ => (PackPath?)null })
            .OfType<PackPath>()
            .Where(path => !ReservedFolder.Holds(path))
            .Select(tree.Find)
            .OfType<TreeFile>()
            .Where(f => tree.Find(ReservedFolder.SourceOf(f.Path)) is null)
            .Select(f => new TreeEdit.Write(ReservedFolder.SourceOf(f.Path), f.ReadAll()));
        // A fix that keeps the original itself does so in its own way.
        var kept = edits.OfType<TreeEdit.Write>().Select(w => w.Path).ToHashSet();
        return edits.Count == 0 ? edits : [.. copies.Where(c => !kept.Contains(c.Path)), .. edits];
    }
}
