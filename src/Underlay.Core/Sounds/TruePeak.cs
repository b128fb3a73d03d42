namespace Underlay.Core.Sounds;

/// <summary>The highest level that a sound has between its samples too.</summary>
/// <remarks>ITU-R BS.1770-4, annex 2: four values for each sample, by a filter of 12 taps each.</remarks>
public static class TruePeak
{
    private const int Phases = 4;
    private const int Taps = 12;

    private static readonly float[][] Filters = Make();
    private static readonly float MostGain = Filters.Max(f => f.Sum(Math.Abs));

    /// <summary>The highest magnitude; 1 is full scale.</summary>
    public static double Of(Sound sound) => sound.Channels.Max(Of);

    private static double Of(float[] samples)
    {
        var peak = 0f;
        foreach (var sample in samples) peak = Math.Max(peak, Math.Abs(sample));
        for (var i = 0; i < samples.Length; i++)
        {
            // Where the samples around are too low to reach the peak, nothing between them does.
            var (from, to) = (Math.Max(0, i - (Taps / 2) + 1), Math.Min(samples.Length, i + (Taps / 2) + 1));
            if (Math.Max(Math.Abs(samples[i]), i + 1 < to ? Math.Abs(samples[i + 1]) : 0) * MostGain <= peak
                && !Reaches(samples, from, to, peak))
                continue;
            for (var phase = 1; phase < Phases; phase++)
            {
                var sum = 0f;
                for (var tap = 0; tap < Taps; tap++)
                {
                    var at = i - (Taps / 2) + 1 + tap;
                    if (at >= 0 && at < samples.Length) sum += samples[at] * Filters[phase][tap];
                }

                peak = Math.Max(peak, Math.Abs(sum));
            }
        }

        return peak;
    }

    private static bool Reaches(float[] samples, int from, int to, float peak)
    {
        for (var i = from; i < to; i++)
            if (Math.Abs(samples[i]) * MostGain > peak) return true;
        return false;
    }

    /// <summary>Sinc functions under a Hann window, each with a sum of 1.</summary>
    private static float[][] Make()
    {
        var filters = new float[Phases][];
        for (var phase = 0; phase < Phases; phase++)
        {
            var taps = new double[Taps];
            for (var tap = 0; tap < Taps; tap++)
            {
                var x = tap - (Taps / 2) + 1 - (phase / (double)Phases);
                var sinc = x == 0 ? 1 : Math.Sin(Math.PI * x) / (Math.PI * x);
                taps[tap] = sinc * (0.5 + (0.5 * Math.Cos(Math.PI * x / ((Taps / 2) + 0.5))));
            }

            var sum = taps.Sum();
            filters[phase] = [.. taps.Select(t => (float)(t / sum))];
        }

        return filters;
    }
}
