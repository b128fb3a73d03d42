using System.Text;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>Tells a new name that is one more of names which are there: <c>tile_12</c> beside <c>tile_1</c> to <c>tile_11</c>.</summary>
internal static class OneMore
{
    // More than words that are shared; less than what is sure.
    private const double Confidence = 0.7;

    /// <summary>The candidates, those raised that are one more of a series of which others are among them.</summary>
    public static IEnumerable<PlacementCandidate> Raise(IReadOnlyCollection<PlacementCandidate> candidates)
    {
        var there = candidates
            .Where(c => !c.IsNew)
            .OrderBy(c => c.Target)
            .GroupBy(c => SeriesOf(c.Target), StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => g.First().Target, StringComparer.Ordinal);
        return candidates.Select(c => c.IsNew && c.Confidence < Confidence && there.TryGetValue(SeriesOf(c.Target), out var other)
            ? c with { Confidence = Confidence, Reason = $"one more beside {other.FileName}; {c.Reason}" }
            : c);
    }

    /// <summary>What is the same for all of a series: the path, with a mark for each number.</summary>
    private static string SeriesOf(PackPath path)
    {
        var series = new StringBuilder();
        foreach (var letter in path.Value)
            if (!char.IsAsciiDigit(letter)) series.Append(letter);
            else if (series is not [.., '#']) series.Append('#');
        return series.ToString();
    }
}
