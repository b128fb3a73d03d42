using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Underlay.Core.Sounds;

/// <summary>The level of what is heard where nothing else is: the noise of the room and of the microphone.</summary>
public static class NoiseFloor
{
    private const double SpanSeconds = 0.05;

    // Of fewer spans none is known to be a pause.
    private const int LeastSpans = 10;

    // The softest are the pauses; the very softest may be digital silence that an editor put in.
    private const double Share = 0.1;

    /// <summary>
    /// The level (RMS) that a tenth of the sound lies below. dB under full scale; negative infinity for digital silence, null for a
    /// sound too short to have pauses.
    /// </summary>
    public static double? Of(Sound sound)
    {
        var span = (int)(SpanSeconds * sound.Rate);
        if (span < 1 || sound.Frames / span < LeastSpans) return null;
        var levels = new double[sound.Frames / span];
        foreach (var channel in sound.Channels)
            for (var i = 0; i < levels.Length; i++) levels[i] = Math.Max(levels[i], MeanSquare(channel.AsSpan(i * span, span)));
        Array.Sort(levels);
        return 10 * Math.Log10(levels[(int)(levels.Length * Share)]);
    }

    /// <summary>Summed sixteen at a time, in an order that is the same on every machine.</summary>
    private static double MeanSquare(ReadOnlySpan<float> samples)
    {
        var rows = MemoryMarshal.Cast<float, Vector128<float>>(samples);
        Vector128<float> a = default, b = default, c = default, d = default;
        var i = 0;
        for (; i + 4 <= rows.Length; i += 4)
        {
            a += rows[i] * rows[i];
            b += rows[i + 1] * rows[i + 1];
            c += rows[i + 2] * rows[i + 2];
            d += rows[i + 3] * rows[i + 3];
        }

        double sum = Vector128.Sum(a + b + (c + d));
        foreach (var sample in samples[(i * Vector128<float>.Count)..]) sum += sample * sample;
        return sum / samples.Length;
    }
}
