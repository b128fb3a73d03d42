using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A numbered picture lies behind a gap in its series.</summary>
/// <remarks>Host: short. See docs/checks.md#seriesgap.</remarks>
public sealed class SeriesGap : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("series/gap");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var series in SeriesOf.All(overlay))
        {
            var missing = series.FirstMissing;
            foreach (var (number, picture) in series.Frames.Where(f => f.Number > missing || f.Number < 1))
            {
                var gap = picture.Place.Pattern!.Fill(
                    picture.Bindings.With(
                        series.Rule.Placeholder,
                        missing.ToString(
                            new string('0', picture.Bindings.Find(series.Rule.Placeholder)!.Length),
                            System.Globalization.CultureInfo.InvariantCulture)));
                var because = number < 1 ? "A series begins with 1." : $"{gap?.FileName} is missing: the series ends before this one.";
                yield return Report(overlay, picture, series.Rule.Else, because) with
                {
                    Rule = series.Rule,
                    RestsOn = gap is { } path ? [path] : [],
                    Shared = number < 1 ? null : new OneSeries(picture.Path.Value[..^picture.Path.FileName.Length], gap?.FileName ?? ""),
                };
            }
        }
    }

    private sealed record OneSeries(string Folder, string Gap) : SharedCause(Folder.TrimEnd('/'), Gap)
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{Gap} is missing: the series ends before {parts.Count} of its pictures. {parts[0].HostSays}";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) => null;
    }
}
