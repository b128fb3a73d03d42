using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>A form in which the host plays a sound.</summary>
/// <param name="Says">"16-bit WAV, 32000 Hz, mono".</param>
/// <param name="Bytes">How long the file then is.</param>
/// <param name="Loses">What is lost, as it is heard; empty for nothing.</param>
/// <param name="Steps">The steps that lead there; none where it is so now, or where another ending is needed.</param>
/// <param name="IsNow">Whether it is the form that the sound has.</param>
public sealed record SoundForm(string Says, long Bytes, string Loses, IReadOnlyList<SoundStep> Steps, bool IsNow);

/// <summary>All forms that a sound may have where it lies, with what each costs and what is lost.</summary>
public static class SoundForms
{
    // Softer, against the whole, nobody hears it; a little softer than this it is heard as a trace. dB.
    private const double Unheard = -60;
    private const double Trace = -40;
    private const double Alike = -50;
    private const double Narrow = -20;

    /// <summary>The forms, those of the sound's own format first, from the largest.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="placement">The sound.</param>
    /// <param name="sound">Its samples.</param>
    public static IReadOnlyList<SoundForm> Of(Overlay overlay, Placement placement, Sound sound) =>
    [
        .. Twins(overlay, placement)
            .OrderBy(place => place != placement.Place)
            .SelectMany(place => InPlace(overlay, place, placement, sound).OrderByDescending(f => f.Bytes)),
    ];

    /// <summary>The place of a sound and those that differ from it in the ending alone.</summary>
    private static IEnumerable<Place> Twins(Overlay overlay, Placement placement)
    {
        var stem = Stem(placement.Path.Value);
        return overlay.Profile.Places.Where(
            p => p.Format is PackSoundFormat
                && p.Editions.Holds(overlay.Edition)
                && p.Pattern?.Fill(placement.Bindings) is { } path
                && Stem(path.Value) == stem);
    }

    private static string Stem(string path) => path[..path.LastIndexOf('.')];

    private static IEnumerable<SoundForm> InPlace(Overlay overlay, Place place, Placement placement, Sound sound)
    {
        var format = (PackSoundFormat)place.Format;
        var rules = SoundFit.RulesFor(place, placement.Bindings, overlay.Edition);
        var rates = rules.OfType<RatesRule>().FirstOrDefault()?.Allowed ?? [format.OnlyRate ?? sound.Rate];
        // More than two have to become one.
        var mayBeTwo = sound.Channels.Count == 2 && rules.OfType<ChannelsRule>().All(r => r.Most >= 2);
        int[] counts = mayBeTwo ? [2, 1] : [1];
        foreach (var rate in rates)
            foreach (var channels in counts)
            {
                var isOther = place != placement.Place;
                List<SoundStep> steps = [];
                if (channels < sound.Channels.Count) steps.Add(new ToMono(ToMono.Both));
                if (rate != sound.Rate) steps.Add(new ToRate(rate));
                var form = steps.Aggregate(sound, (now, step) => step.Run(now));
                var isNow = steps.Count == 0 && !isOther;
                yield return new SoundForm(
                    FormattableString.Invariant($"{format.SavedAs}, {rate} Hz, {(channels == 1 ? "mono" : "stereo")}"),
                    isNow ? placement.Facts.Length : format.Encode(form).Length,
                    isNow ? "" : Loses(sound, rate, channels, isOther && format.OnlyRate is not null),
                    isOther ? [] : steps,
                    isNow);
            }
    }

    private static string Loses(Sound sound, int rate, int channels, bool isCoded)
    {
        var lost = new List<string>();
        if (channels < sound.Channels.Count && SoundLoss.Width(sound) is var width && width > Alike)
            lost.Add(width > Narrow ? "its width" : "a little of its width");
        if (SoundLoss.AboveHalfOf(rate, sound) is var above && above > Unheard)
        {
            var brightness = above > Trace ? "its brightness" : "a trace of brightness";
            lost.Add(FormattableString.Invariant($"{brightness} above {rate / 2000} kHz"));
        }

        if (isCoded) lost.Add("what the coding leaves out, hardly heard");
        return string.Join(", ", lost);
    }
}
