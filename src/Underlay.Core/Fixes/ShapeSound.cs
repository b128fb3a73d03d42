using System.Globalization;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Changes the samples of a sound; where its frames move, the loop in the table of its folder moves with them. The file as it was is
/// kept among the sources.
/// </summary>
/// <param name="Path">The sound.</param>
/// <param name="Format">The format of its place.</param>
/// <param name="Does">What it does, as words to press.</param>
/// <param name="Change">The new sound of the old.</param>
/// <param name="Loop">The row of its table that has to follow; null where none has.</param>
public sealed record ShapeSound(PackPath Path, PackSoundFormat Format, string Does, Func<Sound, Sound> Change, ShapeSound.Row? Loop)
    : Fix(Does, LosesNothing: false, LeavesNoChoice: true)
{
    /// <summary>A row of a table with a loop.</summary>
    /// <param name="Table">The table's path.</param>
    /// <param name="Shape">Its columns.</param>
    /// <param name="Name">The sound's name.</param>
    /// <param name="Values">The frames that the loop then has, by column.</param>
    public sealed record Row(PackPath Table, TableShape Shape, string Name, IReadOnlyDictionary<string, string> Values);

    /// <summary>Gives the sound another rate.</summary>
    internal static ShapeSound ToRate(Overlay overlay, Placement sound, int rate)
    {
        var from = sound.Facts.Sound!.Header!.Rate;
        var frames = (int)Math.Round(sound.Facts.Sound.Header.Frames * (double)rate / from);
        return new ShapeSound(
            sound.Path,
            FormatOf(sound),
            string.Create(CultureInfo.InvariantCulture, $"Resample it to {rate} Hz"),
            s => SoundResampler.To(s, rate),
            Moved(overlay, sound, frame => Math.Min(frames, SoundResampler.Frame(frame, from, rate))));
    }

    /// <summary>Makes it mono.</summary>
    internal static ShapeSound ToMono(Placement sound) => new(sound.Path, FormatOf(sound), "Make it mono", s => s.ToMono(), null);

    /// <summary>Makes it louder or softer by so many decibels.</summary>
    internal static ShapeSound Louder(Placement sound, double decibels) => new(
        sound.Path,
        FormatOf(sound),
        string.Create(CultureInfo.InvariantCulture, $"Make it {Math.Abs(decibels):0.0} dB {(decibels < 0 ? "softer" : "louder")}"),
        s => s.Gain(decibels),
        null);

    /// <summary>Takes away frames in front.</summary>
    internal static ShapeSound WithoutLead(Overlay overlay, Placement sound, int frames) => new(
        sound.Path,
        FormatOf(sound),
        "Cut the silence in front",
        s => s.Cut(Math.Min(frames, s.Frames - 1), s.Frames),
        Moved(overlay, sound, frame => Math.Max(0, frame - frames)));

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (tree.Find(Path) is not { } file || SoundReader.Read(file.ReadAll()) is not { } sound) return [];
        var write = new TreeEdit.Write(Path, Format.Encode(Change(sound)));
        return Loop is { } row
            && WriteSoundRow.Written(
                tree.Find(row.Table)?.ReadAll(),
                row.Shape,
                row.Name,
                row.Values,
                context.Overlay?.Base.Read(row.Table))
                is { } table
            ? [write, new TreeEdit.Write(row.Table, table)]
            : [write];
    }

    private static PackSoundFormat FormatOf(Placement sound) => (PackSoundFormat)sound.Place.Format;

    private static Row? Moved(Overlay overlay, Placement sound, Func<int, int> move)
    {
        if (sound.Place.RulesOf<SoundRowRule>(overlay.Edition).FirstOrDefault() is not { } rule) return null;
        if (SoundRow.Of(overlay, rule, sound) is not { LoopFrom: { } from, LoopTo: { } to } row) return null;
        return new Row(
            row.Table,
            overlay.Profile.Place(rule.Table).Table!,
            row.Name,
            new Dictionary<string, string>
            {
                [rule.LoopFrom] = move(from).ToString(CultureInfo.InvariantCulture),
                [rule.LoopTo] = move(to).ToString(CultureInfo.InvariantCulture),
            });
    }
}
