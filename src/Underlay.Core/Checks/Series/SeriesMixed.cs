using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Packs;
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
            var mine = series.Frames.Where(f => !f.Picture.Layer.IsBase).ToList();
            foreach (var (_, picture) in series.Frames.Where(f => f.Picture.Layer.IsBase))
            {
                yield return Report(
                    overlay,
                    picture,
                    series.Rule.Mixed,
                    $"This picture is still the base’s, while the pack has {mine.Count} of the series: supply all "
                        + $"{series.Frames.Count}.") with
                {
                    Rule = series.Rule,
                    Fix = overlay.PackHas(picture.Path) ? null : new BringFiles([picture.Path], $"Bring {picture.Path.FileName}"),
                    Shared = new OneSeries(picture.Path.Value[..^picture.Path.FileName.Length], mine.Count, series.Frames.Count),
                    Saw = mine.ToDictionary(f => f.Picture.Path, f => f.Picture.Facts.Hash),
                    RestsOn = [picture.Path],
                };
            }
        }
    }

    private sealed record OneSeries(string Folder, int Mine, int All) : SharedCause(Folder.TrimEnd('/'), "series")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{parts.Count} pictures of this series are still the base’s, while the pack has {Mine}: supply all {All}. "
                + $"{parts[0].HostSays}";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) =>
            parts.All(p => p.Fix is not null)
                ? new BringFiles([.. parts.Select(p => PackPath.Parse(p.Path))], $"Bring the other {parts.Count}")
                : null;
    }
}
