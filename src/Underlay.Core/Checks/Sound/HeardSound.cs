using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>A sound is too loud at its peaks, begins late or is far from the loudness of those beside it.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#soundheard.</remarks>
public sealed class HeardSound : RuleCheck<HeardRule>
{
    // So much silence in front is not heard, and keeps what begins suddenly from clicking.
    private const int KeptMs = 10;

    /// <inheritdoc/>
    public override CheckCode Code => new("sound/heard");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, HeardRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Sound is not { Header: { } header, Measure: { } measure }) yield break;
        if (measure.TruePeak > rule.MostPeak)
            yield return Advise(
                overlay,
                placement,
                "peak",
                FormattableString.Invariant(
                    $"Its true peak is {measure.TruePeak:0.0} dBTP; at most {rule.MostPeak:0.#} keeps it from crackling."),
                new ShapeSound(placement.Path, new ToPeak(Math.Round(rule.MostPeak - 0.1, 1))));
        if (measure.Loudness is null)
            yield return Advise(overlay, placement, "soft", "It is so soft that nothing of it is heard.", null);
        else if (measure.LeadFrames > rule.MostLead * header.Rate)
            yield return Advise(
                overlay,
                placement,
                "lead",
                FormattableString.Invariant(
                    $"It begins with {1000.0 * measure.LeadFrames / header.Rate:0} ms of silence, and so is heard late."),
                new ShapeSound(placement.Path, new CutSilence(CutSilence.Front, KeptMs)));
        if (measure.Loudness is { } loudness
            && (rule.Loudness ?? Usual(overlay, placement, rule)) is { } usual
            && Math.Abs(loudness - usual) > rule.Apart)
        {
            var hasRoom = measure.TruePeak + usual - loudness <= rule.MostPeak;
            var room = hasRoom ? "" : FormattableString.Invariant($", and its peak of {measure.TruePeak:0.0} dBTP leaves no room for that");
            yield return Advise(
                overlay,
                placement,
                "loudness",
                FormattableString.Invariant($"It is {Math.Abs(loudness - usual):0.#} LU {(loudness > usual ? "louder" : "softer")} than ")
                    + (rule.Loudness is null ? "those of the base beside it" : "is asked for")
                    + FormattableString.Invariant($" ({loudness:0.0} LUFS; {usual:0.0})")
                    + room
                    + ".",
                hasRoom ? new ShapeSound(placement.Path, new Louder(Math.Round(usual - loudness, 1))) : null);
        }
    }

    private Finding Advise(Overlay overlay, Placement placement, string what, string says, Fix? fix) =>
        Report(overlay, placement, Consequence.Regret, says) with { Discriminator = what, Fix = fix };

    /// <summary>The middle loudness of the base's sounds beside it.</summary>
    private static double? Usual(Overlay overlay, Placement placement, HeardRule rule)
    {
        if (rule.Beside is not { } hole) return null;
        var beside = overlay.Base.In(placement.Place)
            .Where(f => f.Path != placement.Path && f.Bindings.Find(hole) == placement.Bindings.Find(hole))
            .Select(f => f.Facts.Sound?.Measure?.Loudness)
            .OfType<double>()
            .Order()
            .ToList();
        return beside.Count < 2 ? null : beside[beside.Count / 2];
    }
}
