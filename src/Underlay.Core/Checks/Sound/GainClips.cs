using System.Globalization;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The gain in the table beside a sound takes its peaks over full scale, where they are cut off.</summary>
/// <remarks>Host: plays it, and it crackles. See docs/checks.md#soundgain-clips.</remarks>
public sealed class GainClips : SoundRowCheck
{
    // What is left between the peak and full scale. dB.
    private const double Spare = 0.1;

    /// <inheritdoc/>
    public override CheckCode Code => new("sound/gain-clips");

    /// <inheritdoc/>
    protected override Finding? Inspect(Overlay overlay, Placement sound, SoundRowRule rule)
    {
        if (sound.Facts.Sound?.Measure is not { TruePeak: var peak }) return null;
        var row = SoundRow.Of(overlay, rule, sound);
        if (row.Row is not { } found || !IsNumber(found.Values.GetValueOrDefault(rule.Gain), out var gain)) return null;
        if (gain <= 0 || peak + gain <= 0) return null;
        var fitting = Math.Floor((-Spare - peak) * 10) / 10;
        return Report(
            overlay,
            sound,
            Consequence.Regret,
            FormattableString.Invariant($"With the gain of {gain:0.#} dB ({found.From.Path} line {found.Row.Line}) ")
                + FormattableString.Invariant($"its true peak is {peak + gain:0.0} dBTP, and is cut off.")) with
        {
            RestsOn = [row.Table],
            Fix = found.From.Layer.IsBase
                ? null
                : new SetTableValue(
                    row.Table,
                    overlay.Profile.Place(rule.Table).Table!.Key,
                    row.Name,
                    rule.Gain,
                    fitting.ToString("0.0", CultureInfo.InvariantCulture)),
        };
    }

    private static bool IsNumber(string? text, out double number) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out number) && double.IsFinite(number);
}
