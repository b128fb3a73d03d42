using System.Globalization;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A sound has no row in the table of its folder, or one with a loop that is not inside it.</summary>
/// <remarks>Host: silent. See docs/checks.md#soundrow.</remarks>
public sealed class SoundRows : SoundRowCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("sound/row");

    /// <inheritdoc/>
    protected override Finding? Inspect(Overlay overlay, Placement sound, SoundRowRule rule)
    {
        if (sound.Facts.Sound?.Header is not { } header) return null;
        var row = SoundRow.Of(overlay, rule, sound);
        if (row.Row is not null && row.FitsInto(header.Frames)) return null;
        var because = row.Row is null
            ? $"There is no row “{row.Name}” in {row.Table}."
            : FormattableString.Invariant(
                $"Its loop goes from frame {row.LoopFrom?.ToString(CultureInfo.InvariantCulture) ?? "?"} to ")
                + FormattableString.Invariant($"{row.LoopTo?.ToString(CultureInfo.InvariantCulture) ?? "?"} ({row.Row.From.Path} line ")
                + FormattableString.Invariant($"{row.Row.Row.Line}), and the sound has {header.Frames} frames.");
        return Report(overlay, sound, rule.Else, because) with
        {
            Discriminator = row.Row is null ? "row" : "loop",
            RestsOn = [row.Table],
            Fix = row.Row is null
                ? new WriteSoundRow(row.Table, overlay.Profile.Place(rule.Table).Table!, row.Name, new Dictionary<string, string>())
                : sound.Layer.IsBase
                ? null
                : new WriteSoundRow(
                    row.Table,
                    overlay.Profile.Place(rule.Table).Table!,
                    row.Name,
                    new Dictionary<string, string>
                    {
                        [rule.LoopFrom] = row.LoopFrom < header.Frames - 1
                            ? row.LoopFrom.Value.ToString(CultureInfo.InvariantCulture)
                            : "0",
                        [rule.LoopTo] = header.Frames.ToString(CultureInfo.InvariantCulture),
                    }),
        };
    }
}
