using System.Collections.Concurrent;
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
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="group">The group.</param>
    /// <param name="faults">Gets the files at which a check failed.</param>
    public IReadOnlyList<Finding> Inspect(Overlay overlay, Group group, ConcurrentBag<JudgingFault> faults)
    {
        var found = new List<Finding>();
        foreach (var drop in group.Dropped.Where(d => !IsToldAlready(overlay, d)))
        {
            try
            {
                foreach (var check in all) found.AddRange(check.Inspect(overlay, drop));
            }
            catch (Exception fault) when (Faults.IsOurs(fault))
            {
                faults.Add(new JudgingFault(drop.Placement.Path, null, fault));
            }
        }

        foreach (var placement in group.Shown)
        {
            try
            {
                InspectShown(overlay, placement, found);
            }
            catch (Exception fault) when (Faults.IsOurs(fault))
            {
                faults.Add(new JudgingFault(placement.Path, null, fault));
            }
        }

        return found.Count == 0 ? [] : found;
    }

    private void InspectShown(Overlay overlay, Placement placement, List<Finding> found)
    {
        foreach (var check in all) found.AddRange(check.Inspect(overlay, placement));
        foreach (var active in overlay.RulesFor(placement))
            foreach (var check in ofRule[active.Rule.GetType()]) found.AddRange(check.Inspect(overlay, placement, active));
    }

    /// <summary>The base's file left out for the reason for which the pack's at the same path is: that is told of the pack's.</summary>
    private static bool IsToldAlready(Overlay overlay, Drop drop) =>
        drop.Placement.Layer.IsBase
        && overlay.FindDrop(drop.Placement.Path) is { Rule: { } rule } mine
        && rule == drop.Rule
        && mine.Code == drop.Code;
}
