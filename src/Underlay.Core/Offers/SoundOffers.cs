using Underlay.Core.Formats;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>A step that a sound may be given, as words to press.</summary>
/// <param name="Title">What it does.</param>
/// <param name="Step">The step.</param>
public sealed record SoundOffer(string Title, SoundStep Step);

/// <summary>Steps that are worth offering for a sound: first what mends it or brings it near the base's.</summary>
public static class SoundOffers
{
    // So much silence is left, in front and behind.
    private const int KeptMs = 10;
    private const int FadeMs = 20;
    private const int SeamMs = 60;
    private const double MostPeak = -1.1;

    /// <summary>Offers for a sound of the pack.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="placement">The sound.</param>
    /// <param name="sound">Its samples.</param>
    /// <param name="loop">Its loop in frames; null for none.</param>
    public static IReadOnlyList<SoundOffer> For(Overlay overlay, Placement placement, Sound sound, (int From, int To)? loop)
    {
        var offers = new List<SoundOffer>();
        void Offer(SoundStep step) => offers.Add(new SoundOffer(step.Title, step));
        var measure = placement.Facts.Sound?.Measure ?? SoundMeasure.Of(sound);
        var (lead, tail) = (measure.LeadFrames > sound.Rate / 50, measure.TailFrames > sound.Rate / 20);
        if (lead || tail)
            Offer(new CutSilence(lead && tail ? CutSilence.Both : lead ? CutSilence.Front : CutSilence.Behind, KeptMs));
        if (overlay.OfBase(placement.Path)?.Facts.Sound?.Measure?.Loudness is { } ofBase
            && measure.Loudness is { } own
            && Math.Abs(own - ofBase) >= 0.5)
            offers.Add(
                new SoundOffer(
                    FormattableString.Invariant($"As loud as the base’s, {ofBase:0.0} LUFS"),
                    new ToLoudness(Math.Round(ofBase, 1))));
        if (loop is { From: > 0 } round && placement.Facts.Sound?.Header is { } header && round.To <= header.Frames)
            Offer(new CrossFade(round.From, round.To, SeamMs, header.Rate));
        if (sound.Channels.Count > 1) Offer(new ToMono(ToMono.Both));
        offers.Add(new SoundOffer("Cut to a part of it …", new CutSound(0, (int)Math.Ceiling(sound.Seconds * 1000))));
        Offer(new FadeSound(FadeMs, FadeMs));
        Offer(new Louder(3));
        Offer(new Louder(-3));
        if (measure.Loudness is { } loudness) Offer(new ToLoudness(Math.Round(loudness)));
        Offer(new ToPeak(MostPeak));
        // Worth it where steps or a finer recording leave more than 16 bits to be rounded away.
        if (placement.Place.Format is PackSoundFormat { IsExact: true }
            && StepsFile.Read(overlay.Pack.Tree, placement.Path)?.Steps is { } steps
            && !steps.Contains(ToDepth.Dithered))
            Offer(ToDepth.Dithered);
        return offers;
    }
}
