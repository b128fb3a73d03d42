using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;

namespace Underlay.Core.Mending;

/// <summary>
/// Repairs that hold only together: a file that is moved to where the host reads it has to be right there too. The first alone would
/// make the pack worse; with those that follow it, nothing is worse than it was.
/// </summary>
/// <param name="Fixes">The repairs, in the order in which they are made.</param>
/// <param name="After">The pack after them.</param>
/// <param name="Report">Its check.</param>
internal sealed record RepairChain(IReadOnlyList<AppliedFix> Fixes, FileTree After, CheckReport Report)
{
    // The longest known is five: a place, a format, a size, an edge, a row.
    private const int MostSteps = 8;

    /// <summary>Looks for the repairs that have to follow. Null where they are none, or not all of them may be made.</summary>
    /// <param name="contextOf">What fixes have to know after a check.</param>
    /// <param name="before">The check of the pack as it is.</param>
    /// <param name="tree">The pack as it is.</param>
    /// <param name="check">Checks a tree.</param>
    /// <param name="first">Findings whose fixes would make the pack worse.</param>
    /// <param name="mayFollow">Which fixes may be made beside them.</param>
    public static RepairChain? Find(
        Func<CheckReport, FixContext> contextOf,
        CheckReport before,
        FileTree tree,
        Func<FileTree, CheckReport> check,
        IReadOnlyList<Finding> first,
        Func<Finding, bool> mayFollow)
    {
        IReadOnlyList<Finding> next = first;
        var fixes = new List<AppliedFix>();
        // A repair that did not help once does not help again.
        var made = new HashSet<(string, string)>();
        var (now, report) = (tree, before);
        for (var step = 0; step < MostSteps && next.Count > 0; step++)
        {
            var draft = FixDraft.Of(now, next, contextOf(report));
            if (draft.Fixes.Count == 0) return null;
            fixes.AddRange(draft.Fixes);
            made.UnionWith(draft.Fixes.Select(f => Name(f.Finding)));
            (now, report) = (draft.After, check(draft.After));
            var worse = Harm.Added(before, report);
            if (worse.Count == 0) return new RepairChain(fixes, now, report);
            next = Following(report, worse, fixes, f => !made.Contains(Name(f)) && mayFollow(f));
        }

        return null;
    }

    /// <summary>The repairs of what went wrong, and of what was touched; one for each path, since the next looks at what it left.</summary>
    private static IReadOnlyList<Finding> Following(
        CheckReport report,
        IReadOnlyList<Prediction> worse,
        IReadOnlyList<AppliedFix> fixes,
        Func<Finding, bool> mayFollow)
    {
        var paths = worse.Select(w => w.Path).ToHashSet(StringComparer.Ordinal);
        paths.UnionWith(fixes.SelectMany(f => f.Edits).SelectMany(e => e.Touches).Select(p => p.Value));
        return
        [
            .. report.Findings
                .Where(f => f is { Severity: Severity.Blocker, Waiver: null, Fix: not null })
                .Where(f => paths.Contains(f.Path) || f.Predicts.Any(p => paths.Contains(p.Path)))
                .Where(mayFollow)
                .DistinctBy(f => f.Path),
        ];
    }

    private static (string, string) Name(Finding finding) => (finding.Path, finding.Fix!.Title);
}
