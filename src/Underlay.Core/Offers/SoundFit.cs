using System.Globalization;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Sounds;

namespace Underlay.Core.Offers;

/// <summary>What a sound becomes when it is saved as its place plays it.</summary>
/// <param name="Format">The format of the place.</param>
/// <param name="Rate">The rate that it gets. Hz.</param>
/// <param name="IsMono">Whether it gets one channel.</param>
/// <param name="IsOtherRate">Whether that is another rate than it has and the author would want to know.</param>
public sealed record SoundFit(PackSoundFormat Format, int Rate, bool IsMono, bool IsOtherRate)
{
    // Coding is not the same at every loudness, so that it is looked at again. dB.
    private const int MostTries = 3;
    private const double Spare = 0.05;

    /// <summary>As what it is saved, in words: "16-bit WAV, 48000 Hz, mono".</summary>
    public string Says =>
        Format.SavedAs
        + (IsOtherRate ? string.Create(CultureInfo.InvariantCulture, $", {Rate} Hz") : "")
        + (IsMono ? ", mono" : "");

    /// <summary>How a sound fits into a place; null where the place holds no sounds.</summary>
    /// <param name="place">The place.</param>
    /// <param name="bindings">What the path has at the place's placeholders.</param>
    /// <param name="edition">The edition whose rules hold.</param>
    /// <param name="sound">The sound.</param>
    public static SoundFit? For(Place place, Bindings bindings, Edition edition, Sound sound)
    {
        if (place.Format is not PackSoundFormat format) return null;
        var rules = RulesFor(place, bindings, edition);
        var rates = rules.OfType<RatesRule>().FirstOrDefault();
        var rate = format.OnlyRate
            ?? (rates is null || rates.Allowed.Contains(sound.Rate) ? sound.Rate : rates.Nearest(sound.Rate));
        var isMono = sound.Channels.Count > 2 || (sound.Channels.Count > 1 && rules.OfType<ChannelsRule>().Any(c => c.Most == 1));
        return new SoundFit(format, rate, isMono, format.OnlyRate is null && rate != sound.Rate);
    }

    /// <summary>
    /// The sound as a file of the place; what coding would add to its peaks is taken off, so that they stay below what they were.
    /// </summary>
    public byte[] Save(Sound sound)
    {
        var played = SoundResampler.To(IsMono ? sound.ToMono() : sound, Rate);
        var file = Format.Encode(played);
        if (Format.IsExact) return file;
        var (most, softer) = (Decibels.Of(TruePeak.Of(played)), 0.0);
        for (var tries = 0; tries < MostTries && Format.Decode(file) is { } heard; tries++)
        {
            var over = Decibels.Of(TruePeak.Of(heard)) - most;
            if (!(over > 0)) break;
            softer += over + Spare;
            file = Format.Encode(played.Gain(-softer));
        }

        return file;
    }

    /// <summary>The rules of a place for a sound, with those that are chosen by what its path has.</summary>
    internal static List<Rule> RulesFor(Place place, Bindings bindings, Edition edition) =>
        [.. place.RulesIn(edition).SelectMany(r => Chosen(r, bindings, edition))];

    /// <summary>Rules chosen by what the path has; those chosen by another file's field say nothing of sounds.</summary>
    private static IEnumerable<Rule> Chosen(Rule rule, Bindings bindings, Edition edition) => rule switch
    {
        VariesWithRule { Place: null } varies =>
            (varies.Choices.GetValueOrDefault(bindings.Find(varies.Field) ?? varies.Otherwise) ?? varies.Choices[varies.Otherwise])
                .Where(r => r.Editions.Holds(edition)),
        VariesWithRule => [],
        _ => [rule],
    };
}
