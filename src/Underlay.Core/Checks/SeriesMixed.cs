using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A series is partly the pack's and partly the base's.</summary>
/// <remarks>Host: mixed, at the base's pictures. See docs/checks.md#seriesmixed.</remarks>
public sealed class SeriesMixed : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("series/mixed");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var series in SeriesOf.All(overlay))
        {
            var mine = series.Frames.Where(f => !f.Picture.FromBase).ToList();
            foreach (var (_, picture) in series.Frames.Where(f => f.Picture.FromBase))
            {
                yield return Report(overlay, picture, series.Rule.Mixed, $"This picture is still the base’s, while the pack has {mine.Count} of the series: supply all {series.Frames.Count}.") with
                {
                    Saw = mine.ToDictionary(f => f.Picture.Path, f => f.Picture.Facts.Hash),
                    RestsOn = [picture.Path],
                };
            }
        }
    }
}
