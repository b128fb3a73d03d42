using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Checks that are led over the files of groups.</summary>
internal sealed class GroupChecks
{
    private readonly Check[] all;
    private readonly ILookup<Type, Check> ofRule;

    public GroupChecks(IEnumerable<Check> checks)
    {
        all = [.. checks];
        ofRule = all.Where(c => c is IRuleCheck).ToLookup(c => ((IRuleCheck)c).RuleType);
    }

    /// <summary>What they find in the files of a group, shown or left out, and their rules.</summary>
    public IReadOnlyList<Finding> Inspect(Overlay overlay, Group group)
    {
        var found = new List<Finding>();
        foreach (var drop in group.Dropped.Where(d => !IsToldAlready(overlay, d)))
            foreach (var check in all) found.AddRange(check.Inspect(overlay, drop));
        foreach (var placement in group.Shown)
        {
            foreach (var check in all) found.AddRange(check.Inspect(overlay, placement));
            foreach (var active in overlay.RulesFor(placement))
                foreach (var check in ofRule[active.Rule.GetType()]) found.AddRange(check.Inspect(overlay, placement, active));
        }

        return found.Count == 0 ? [] : found;
    }

    /// <summary>The base's file left out for the reason for which the pack's at the same path is: that is told of the pack's.</summary>
    private static bool IsToldAlready(Overlay overlay, Drop drop) =>
        drop.Placement.Layer.IsBase
        && overlay.FindDrop(drop.Placement.Path) is { Rule: { } rule } mine
        && rule == drop.Rule
        && mine.Code == drop.Code;
}
