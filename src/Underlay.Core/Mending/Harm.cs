using Underlay.Core.Checks;
using Underlay.Core.Findings;

namespace Underlay.Core.Mending;

/// <summary>What a pack would do wrong in the host, as a check predicts it; for telling whether a repair made it worse.</summary>
internal static class Harm
{
    /// <summary>
    /// What the host would report after a change that it did not before, at paths where it reports more than before: one wrong
    /// may become another, but nothing that was right becomes wrong, and nothing wrong in one way becomes wrong in two.
    /// Nothing where the package was not listed before: then nothing of it was shown.
    /// </summary>
    public static IReadOnlyList<Prediction> Added(CheckReport before, CheckReport after)
    {
        var was = Of(before).ToHashSet();
        if (was.Any(p => p.Kind == PredictionKind.Unlisted)) return [];
        var wrongs = was.CountBy(p => p.Path).ToDictionary(StringComparer.Ordinal);
        return [.. Of(after)
            .Distinct()
            .GroupBy(p => p.Path)
            .Where(g => g.Count() > wrongs.GetValueOrDefault(g.Key))
            .SelectMany(g => g.Except(was))];
    }

    private static IEnumerable<Prediction> Of(CheckReport report) => report.Findings.SelectMany(f => f.Predicts);
}
