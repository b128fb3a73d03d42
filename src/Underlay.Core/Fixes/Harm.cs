using Underlay.Core.Checks;

namespace Underlay.Core.Fixes;

/// <summary>What a pack would do wrong in the host, as a check predicts it; for telling whether a repair made it worse.</summary>
internal static class Harm
{
    /// <summary>
    /// What the host would report after a change at paths that were right before. Nothing where the package was not listed
    /// before: then nothing of it was shown.
    /// </summary>
    public static IReadOnlyList<Prediction> Added(CheckReport before, CheckReport after)
    {
        var was = Of(before).ToList();
        if (was.Exists(p => p.Kind == PredictionKind.Unlisted)) return [];
        var wrong = was.Select(p => p.Path).ToHashSet(StringComparer.Ordinal);
        return [.. Of(after).Where(p => !wrong.Contains(p.Path)).Distinct()];
    }

    private static IEnumerable<Prediction> Of(CheckReport report) => report.Findings.SelectMany(f => f.Predicts);
}
