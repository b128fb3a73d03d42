namespace Underlay.Core.Sounds;

/// <summary>What of a sound another form of it cannot hold.</summary>
public static class SoundLoss
{
    /// <summary>
    /// How strong what lies above half of a rate is, against the whole: the difference that resampling there and back makes. dB; negative
    /// infinity for nothing.
    /// </summary>
    public static double AboveHalfOf(int rate, Sound sound)
    {
        if (rate >= sound.Rate) return double.NegativeInfinity;
        var back = SoundResampler.To(SoundResampler.To(sound, rate), sound.Rate);
        var (lost, whole) = (0.0, 0.0);
        for (var c = 0; c < sound.Channels.Count; c++)
        {
            var (before, after) = (sound.Channels[c], back.Channels[c]);
            for (var i = 0; i < Math.Min(before.Length, after.Length); i++)
            {
                lost += ((double)before[i] - after[i]) * (before[i] - after[i]);
                whole += (double)before[i] * before[i];
            }
        }

        return Ratio(lost, whole);
    }

    /// <summary>
    /// How strong what tells the channels apart is, against the whole. dB; negative infinity for channels that are alike.
    /// </summary>
    public static double Width(Sound sound)
    {
        if (sound.Channels.Count < 2) return double.NegativeInfinity;
        var (left, right) = (sound.Channels[0], sound.Channels[1]);
        var (side, whole) = (0.0, 0.0);
        for (var i = 0; i < left.Length; i++)
        {
            var half = ((double)left[i] - right[i]) / 2;
            side += 2 * half * half;
            whole += ((double)left[i] * left[i]) + ((double)right[i] * right[i]);
        }

        return Ratio(side, whole);
    }

    private static double Ratio(double part, double whole) => whole > 0 ? 10 * Math.Log10(part / whole) : double.NegativeInfinity;
}
