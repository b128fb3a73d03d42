using System.Globalization;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>What the table beside a sound says of it.</summary>
/// <param name="Table">The table's path.</param>
/// <param name="Name">The key of the row.</param>
/// <param name="Row">The row; null where there is none.</param>
/// <param name="LoopFrom">The loop's first frame; null for none.</param>
/// <param name="LoopTo">The frame behind its last; null for none.</param>
public sealed record SoundRow(PackPath Table, string Name, StackRow? Row, int? LoopFrom, int? LoopTo)
{
    /// <summary>True where the sound is played in a loop.</summary>
    public bool Loops => LoopFrom is not null || LoopTo is not null;

    /// <summary>True where the loop lies in a sound of so many frames; also where there is none.</summary>
    public bool FitsInto(int frames) => !Loops || (LoopFrom is { } from && LoopTo is { } to && from < to && to <= frames);

    /// <summary>What the stack's table says of a sound.</summary>
    public static SoundRow Of(Overlay overlay, SoundRowRule rule, Placement sound)
    {
        var path = overlay.Profile.Place(rule.Table).Pattern!.Fill(sound.Bindings)!.Value;
        var name = sound.Bindings.Find(rule.Placeholder)!;
        var row = StackRows.FindIn(overlay.ShownOfPack(path), overlay.OfBase(path), name);
        return new SoundRow(path, name, row, Frame(row, rule.LoopFrom), Frame(row, rule.LoopTo));
    }

    private static int? Frame(StackRow? row, string column) =>
        int.TryParse(row?.Values.GetValueOrDefault(column), NumberStyles.None, CultureInfo.InvariantCulture, out var frame) ? frame : null;
}
