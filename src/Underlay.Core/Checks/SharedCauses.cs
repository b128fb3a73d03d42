using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Packs;

namespace Underlay.Core.Checks;

/// <summary>Tells findings that share their cause as one.</summary>
internal static class SharedCauses
{
    public static IReadOnlyList<Finding> Group(IReadOnlyList<Finding> findings)
    {
        if (!findings.Any(f => f.Shared is not null)) return findings;
        var told = findings.Where(f => f.Shared is null).ToList();
        foreach (var group in findings.Where(f => f.Shared is not null).GroupBy(f => (f.Code, f.Shared)))
        {
            var parts = group.OrderBy(f => f.Path, NaturalOrder.Comparer).ToList();
            if (parts.Count < group.Key.Shared!.Least) told.AddRange(parts);
            else told.Add(One(group.Key.Code, group.Key.Shared, parts));
        }

        return told;
    }

    private static Finding One(CheckCode code, SharedCause cause, List<Finding> parts) => new()
    {
        Code = code,
        Severity = parts.Max(p => p.Severity),
        Path = cause.Path,
        Discriminator = cause.Discriminator,
        Message = cause.Says(parts),
        HostSays = parts[0].HostSays,
        Fix = cause.FindFix(parts),
        Rule = parts[0].Rule,
        Predicts = [.. parts.SelectMany(p => p.Predicts).Distinct()],
        Saw = parts.SelectMany(p => p.Saw).DistinctBy(s => s.Key).ToDictionary(),
        Parts = [.. parts.Select(p => new FindingPart(p.Path, p.Message, p.Fix))],
    };
}
