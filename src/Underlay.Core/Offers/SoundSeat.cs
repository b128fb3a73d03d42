using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;

namespace Underlay.Core.Offers;

/// <summary>Where a sound goes: how its place plays it, and the row of a table that has to follow when its frames move.</summary>
/// <param name="Path">Its path.</param>
/// <param name="Fit">How a sound is saved there.</param>
/// <param name="Loop">The loop in the table beside it; null where it has none.</param>
/// <param name="Loudness">How loud every sound there should be, LUFS; null where that goes by those beside it, or does not matter.</param>
public sealed record SoundSeat(PackPath Path, Func<Sound, SoundFit> Fit, SoundSeat.LoopRow? Loop, double? Loudness)
{
    /// <summary>A row of a table with a loop.</summary>
    /// <param name="Table">The table's path.</param>
    /// <param name="Shape">Its columns.</param>
    /// <param name="Name">The sound's name.</param>
    /// <param name="Rule">Which columns have the loop.</param>
    /// <param name="From">The loop's first frame.</param>
    /// <param name="To">The frame behind its last.</param>
    /// <param name="Below">The base's table; null where it has none.</param>
    public sealed record LoopRow(PackPath Table, TableShape Shape, string Name, SoundRowRule Rule, int From, int To, byte[]? Below)
    {
        /// <summary>The values of the row with another loop.</summary>
        internal Dictionary<string, string> At(int from, int to) => new()
        {
            [Rule.LoopFrom] = from.ToString(CultureInfo.InvariantCulture),
            [Rule.LoopTo] = to.ToString(CultureInfo.InvariantCulture),
        };
    }

    /// <summary>The seat of a sound of a stack; null where its place plays none.</summary>
    public static SoundSeat? Of(Overlay overlay, Placement sound)
    {
        if (Of(overlay.Profile, overlay.Edition, sound.Path) is not { } seat) return null;
        if (sound.Place.RulesOf<SoundRowRule>(overlay.Edition).FirstOrDefault() is not { } rule
            || SoundRow.Of(overlay, rule, sound) is not { LoopFrom: { } from, LoopTo: { } to } row)
            return seat;
        var shape = overlay.Profile.Place(rule.Table).Table!;
        return seat with { Loop = new LoopRow(row.Table, shape, row.Name, rule, from, to, overlay.Base.Read(row.Table)) };
    }

    /// <summary>The edits that give a sound another loop in the table beside it, or none; null where there is no such table.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="sound">The sound.</param>
    /// <param name="loop">The first frame and the frame behind the last; null for none.</param>
    public static IReadOnlyList<TreeEdit>? WithLoop(Overlay overlay, Placement sound, (int From, int To)? loop)
    {
        if (sound.Place.RulesOf<SoundRowRule>(overlay.Edition).FirstOrDefault() is not { } rule) return null;
        var row = SoundRow.Of(overlay, rule, sound);
        string Frame(int? frame) => frame?.ToString(CultureInfo.InvariantCulture) ?? "";
        var values = new Dictionary<string, string> { [rule.LoopFrom] = Frame(loop?.From), [rule.LoopTo] = Frame(loop?.To) };
        var table = SoundRow.Written(
            overlay.Pack.Tree.Find(row.Table)?.ReadAll(),
            overlay.Profile.Place(rule.Table).Table!,
            row.Name,
            values,
            overlay.Base.Read(row.Table));
        return table is null ? null : [new TreeEdit.Write(row.Table, table)];
    }

    /// <summary>The seat at a path, whatever the tables say; null where no sound is played there.</summary>
    public static SoundSeat? Of(HostProfile profile, Edition edition, PackPath path) =>
        profile.Locate(path, edition) is { Place: { Format: Formats.PackSoundFormat } place, Bindings: var bindings }
            ? new SoundSeat(
                path,
                s => SoundFit.For(place, bindings, edition, s)!,
                null,
                place.RulesOf<HeardRule>(edition).FirstOrDefault()?.Loudness)
            : null;
}
