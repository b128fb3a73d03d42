using System.Globalization;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A sound stands behind a gap in the numbers.</summary>
/// <remarks>Host: silent. See docs/checks.md#soundgap.</remarks>
public sealed class SoundGap : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/gap");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<NumberedRule>(overlay.Edition))
                foreach (var series in overlay.Pack.In(place).GroupBy(p => p.Bindings.With(rule.Placeholder, "")))
                    foreach (var finding in Inspect(overlay, rule, series.Key, [.. series.Where(p => overlay.FindDrop(p.Path) is null)]))
                        yield return finding;
    }

    private IEnumerable<Finding> Inspect(Overlay overlay, NumberedRule rule, Bindings series, List<Placement> mine)
    {
        var numbers = rule.Places
            .SelectMany(p => overlay.ShownIn(overlay.Profile.Place(p)))
            .Where(p => p.Bindings.With(rule.Placeholder, "").Equals(series))
            .Select(p => NumberOf(p, rule))
            .ToHashSet();
        var gap = 1;
        while (numbers.Contains(gap)) gap++;
        foreach (var sound in mine.Where(s => NumberOf(s, rule) is var number && (number == 0 || number > gap)))
            yield return Report(
                overlay,
                sound,
                rule.Else,
                FormattableString.Invariant($"They are numbered from 1 without a gap, and there is no number {gap}.")) with
            {
                Rule = rule,
            };
    }

    private static long NumberOf(Placement sound, NumberedRule rule) =>
        long.TryParse(sound.Bindings.Find(rule.Placeholder), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? number
            : long.MaxValue;
}
