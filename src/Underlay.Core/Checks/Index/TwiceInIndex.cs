using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Two rows of the index stand for the same thing.</summary>
/// <remarks>Host: the second dropped, twice. See docs/checks.md#indextwice.</remarks>
public sealed class TwiceInIndex : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("index/twice");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var index in IndexRows.Of(overlay))
        {
            var first = new Dictionary<string, int>(StringComparer.Ordinal);
            foreach (var row in index.Facts.Index!.Rows)
            {
                if (IndexRows.FindUnknown(overlay, index, row) is not null || first.TryAdd(IndexRows.KeyOf(index, row), row.At.Line))
                    continue;
                var twice = index.Place.Index!.Twice;
                yield return Report(
                    overlay,
                    index,
                    twice,
                    $"Line {first[IndexRows.KeyOf(index, row)]} has the same "
                        + $"{string.Join(" and ", index.Place.Index.Levels.Where(l => l.Identifies).Select(l => $"{l.Element} {l.Code}"))} "
                        + $"as line {row.At.Line}; the first stands.") with
                {
                    Path = IndexRows.PathOf(index, row),
                    Discriminator = row.At.ToString(),
                    At = row.At,
                    Predicts = [new Prediction(PredictionKind.Drop, IndexRows.PathOf(index, row), twice.Code)],
                };
            }
        }
    }
}
