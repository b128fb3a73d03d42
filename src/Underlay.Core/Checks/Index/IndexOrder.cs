using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The index is not in the order of the codebooks.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#indexorder.</remarks>
public sealed class IndexOrder : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("index/order");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var index in IndexRows.Of(overlay))
        {
            var levels = index.Place.Index!.Levels;
            var ranks = levels
                .Select(
                    l =>
                        overlay.Codebook(l.Codebook).Codes
                            .Select((c, i) => (c.Value, i))
                            .ToDictionary(c => c.Value, c => c.i, StringComparer.Ordinal))
                .ToList();
            int[]? last = null;
            foreach (var row in index.Facts.Index!.Rows)
            {
                var rank = row.Codes.Select((c, i) => ranks[i].GetValueOrDefault(c, int.MaxValue)).ToArray();
                if (last is not null && rank.AsSpan().SequenceCompareTo(last) < 0)
                {
                    yield return Report(
                        overlay,
                        index,
                        Hosts.Rules.Consequence.Regret,
                        $"From line {row.At.Line} on ({row.Codes[^2]}, {row.Codes[^1]}) the order is not that of the codebooks.") with
                    { Discriminator = "order" };
                    break;
                }

                last = rank;
            }
        }
    }
}
