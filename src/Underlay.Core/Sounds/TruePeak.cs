using System.Numerics;
using System.Runtime.InteropServices;

namespace Underlay.Core.Sounds;

/// <summary>The highest level that a sound has between its samples too.</summary>
/// <remarks>ITU-R BS.1770-4, annex 2: four values for each sample, by a filter of 12 taps each.</remarks>
public static class TruePeak
{
    private const int Phases = 4;
    private const int Taps = 12;
    private const int Block = 64;

    private static readonly float[][] Filters = Make();
    private static readonly float MostGain = Filters.Max(f => f.Sum(Math.Abs));

    /// <summary>The highest magnitude; 1 is full scale.</summary>
    public static double Of(Sound sound) => sound.EachChannel(Of).Max();

    private static float Of(float[] samples)
    {
        var peak = Highest(samples);
        // Silence around, so that the first and the last sample have as many neighbours as all others.
        var around = new float[samples.Length + (2 * Taps)];
        samples.CopyTo(around, Taps);
        for (var i = 0; i < samples.Length; i += Block)
        {
            var count = Math.Min(Block, samples.Length - i);
            // From the first tap of the block's first value to the last tap of its last.
            var seen = around.AsSpan(i + Taps - (Taps / 2) + 1, count + Taps - 1);
            // Where the samples around are too low to reach the peak, nothing between them does.
            if (Highest(seen) * MostGain <= peak) continue;
            for (var phase = 1; phase < Phases; phase++) peak = Math.Max(peak, Between(seen, Filters[phase], count));
        }

        return peak;
    }

    /// <summary>The highest magnitude between samples at one phase. Each value is summed in the order of its taps.</summary>
    private static float Between(ReadOnlySpan<float> samples, float[] filter, int count)
    {
        var most = Vector<float>.Zero;
        var i = 0;
        for (; i + Vector<float>.Count <= count; i += Vector<float>.Count)
        {
            var sum = Vector<float>.Zero;
            for (var tap = 0; tap < Taps; tap++) sum += new Vector<float>(samples[(i + tap)..]) * filter[tap];
            most = Vector.Max(most, Vector.Abs(sum));
        }

        var peak = 0f;
        for (var lane = 0; lane < Vector<float>.Count; lane++) peak = Math.Max(peak, most[lane]);
        for (; i < count; i++)
        {
            var sum = 0f;
            for (var tap = 0; tap < Taps; tap++) sum += samples[i + tap] * filter[tap];
            peak = Math.Max(peak, Math.Abs(sum));
        }

        return peak;
    }

    private static float Highest(ReadOnlySpan<float> samples)
    {
        var most = Vector<float>.Zero;
        var rows = MemoryMarshal.Cast<float, Vector<float>>(samples);
        foreach (var row in rows) most = Vector.Max(most, Vector.Abs(row));
        var peak = 0f;
        for (var lane = 0; lane < Vector<float>.Count; lane++) peak = Math.Max(peak, most[lane]);
        foreach (var sample in samples[(rows.Length * Vector<float>.Count)..]) peak = Math.Max(peak, Math.Abs(sample));
        return peak;
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
