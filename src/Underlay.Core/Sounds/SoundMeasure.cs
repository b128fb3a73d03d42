namespace Underlay.Core.Sounds;

/// <summary>What is heard of a sound, in numbers.</summary>
/// <param name="TruePeak">The highest level, between samples too. dBTP; negative infinity for silence.</param>
/// <param name="Loudness">Integrated loudness. LUFS; null where all of it is too soft to count.</param>
/// <param name="LeadFrames">Frames of silence in front.</param>
/// <param name="TailFrames">Frames of silence behind.</param>
/// <param name="NoiseFloor">
/// The level that its softest tenth lies below: its pauses. dB under full scale; negative infinity for digital silence, null for what is
/// too short to have pauses.
/// </param>
/// <param name="ClippedRuns">In how many places the tops of its waves are cut off.</param>
public sealed record SoundMeasure(
    double TruePeak,
    double? Loudness,
    int LeadFrames,
    int TailFrames,
    double? NoiseFloor,
    int ClippedRuns)
{
    /// <summary>Softer is silence: about -50 dB.</summary>
    public const float Silence = 0.003f;

    /// <summary>Measures a sound.</summary>
    public static SoundMeasure Of(Sound sound)
    {
        var (lead, tail) = SilenceOf(sound);
        var peak = Sounds.TruePeak.Of(sound);
        return new SoundMeasure(
            Decibels.Of(peak),
            Sounds.Loudness.Of(sound),
            lead,
            tail,
            Sounds.NoiseFloor.Of(sound),
            // Where no sample reaches the end of the scale, none has to be looked at again.
            peak < Clipping.FullScale ? 0 : Clipping.RunsIn(sound));
    }

    /// <summary>Frames of silence in front and behind; those of a sound that is silent are all in front.</summary>
    public static (int Lead, int Tail) SilenceOf(Sound sound)
    {
        var lead = 0;
        while (lead < sound.Frames && IsSilent(sound, lead)) lead++;
        var tail = 0;
        while (tail < sound.Frames - lead && IsSilent(sound, sound.Frames - 1 - tail)) tail++;
        return (lead, tail);
    }

    private static bool IsSilent(Sound sound, int frame)
    {
        foreach (var channel in sound.Channels)
            if (Math.Abs(channel[frame]) > Silence) return false;
        return true;
    }
}
