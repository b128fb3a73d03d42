using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;

namespace Underlay.Core.Mending;

/// <summary>Fixes as they would be, all at once. Whether they make the pack worse, its check afterwards has to tell.</summary>
public sealed class FixDraft
{
    private readonly ChangedTree after;
    private readonly List<AppliedFix> fixes = [];

    private FixDraft(FileTree tree) => after = new ChangedTree(tree);

    /// <summary>The fixes that apply, in order.</summary>
    public IReadOnlyList<AppliedFix> Fixes => fixes;

    /// <summary>All that they change, in order.</summary>
    public IEnumerable<TreeEdit> Edits => fixes.SelectMany(f => f.Edits);

    /// <summary>The pack after them.</summary>
    public FileTree After => after.Now;

    /// <summary>Makes the fixes of findings, each as far as it still applies after those before.</summary>
    /// <param name="tree">The pack.</param>
    /// <param name="wanted">Findings of its check, with the fixes to make.</param>
    /// <param name="context">What fixes have to know.</param>
    public static FixDraft Of(FileTree tree, IReadOnlyList<Finding> wanted, FixContext context)
    {
        var draft = new FixDraft(tree);
        wanted = [.. wanted.OrderBy(f => f.Fix?.ComesLast ?? false)];
        // Fixes that look at one picture each are made on all cores.
        var made = SideBySide.Select(wanted, f => f.Fix?.MadeOf is null ? null : FixRunner.EditsOf(tree, f, context));
        foreach (var (finding, ready) in wanted.Zip(made))
        {
            // What was made of the pack as it was holds as long as nothing came to it since.
            var holds = ready is not null && !draft.after.HasTouched(finding.Fix!.MadeOf!.Value);
            var edits = holds ? ready! : FixRunner.EditsOf(draft.After, finding, context);
            if (edits.Count == 0) continue;
            draft.after.Add(edits);
            draft.fixes.Add(new AppliedFix(finding, edits));
        }

        return draft;
    }

    /// <summary>True when the host shows nothing wrong after a change that it showed right before.</summary>
    public static bool DoesNoHarm(CheckReport before, CheckReport after) => Harm.Added(before, after).Count == 0;
}
