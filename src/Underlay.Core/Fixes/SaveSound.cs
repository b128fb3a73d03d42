using System.Globalization;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Writes a sound anew as its place reads it, with the rate and channels that its place takes: what could not be read did no harm,
/// and is not to
/// do any once it can be. The file as it was is kept among the sources.
/// </summary>
/// <param name="Path">The sound.</param>
/// <param name="Format">The format of its place.</param>
/// <param name="Rate">The rate that it gets. Hz.</param>
/// <param name="IsMono">Whether it gets one channel.</param>
/// <param name="Says">What it does, as words to press.</param>
public sealed record SaveSound(
    PackPath Path,
    PackSoundFormat Format,
    int Rate,
    bool IsMono,
    string Says) : Fix(Says, LosesNothing: false, LeavesNoChoice: true)
{
    /// <summary>The fix for a file; null where its samples cannot be read.</summary>
    internal static SaveSound? For(Overlay overlay, Placement placement)
    {
        if (placement.Place.Format is not PackSoundFormat format) return null;
        if (overlay.Pack.Tree.Find(placement.Path) is not { } file || SoundReader.Read(file.ReadAll()) is not { } sound) return null;
        var rules = overlay.RulesFor(placement).Select(r => r.Rule).ToList();
        var rates = rules.OfType<RatesRule>().FirstOrDefault();
        var rate = format.OnlyRate
            ?? (rates is null || rates.Allowed.Contains(sound.Rate) ? sound.Rate : rates.Nearest(sound.Rate));
        var isMono = sound.Channels.Count > 2 || (sound.Channels.Count > 1 && rules.OfType<ChannelsRule>().Any(c => c.Most == 1));
        var more = string.Concat(
            rate == sound.Rate || format.OnlyRate is not null ? "" : string.Create(CultureInfo.InvariantCulture, $", {rate} Hz"),
            isMono ? ", mono" : "");
        return new SaveSound(placement.Path, format, rate, isMono, $"Save it anew as {format.SavedAs}{more}");
    }

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        tree.Find(Path) is { } file && SoundReader.Read(file.ReadAll()) is { } sound
            ? [new TreeEdit.Write(Path, Format.Encode(SoundResampler.To(IsMono ? sound.ToMono() : sound, Rate)))]
            : [];
}
