using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Underlay.Core.Sounds;

/// <summary>Gives a sound another rate by a windowed sinc.</summary>
/// <remarks>Kaiser window of beta 9: what would alias lies more than 80 dB below.</remarks>
public static class SoundResampler
{
    private const int HalfTaps = 48;
    private const double Beta = 9;
    private const int Rows = 16;

    /// <summary>The sound at another rate, as long as before to half a frame.</summary>
    public static Sound To(Sound sound, int rate)
    {
        if (rate == sound.Rate) return sound;
        var frames = Math.Max(1, (int)Math.Round(sound.Frames * (double)rate / sound.Rate));
        return new Sound(rate, sound.EachChannel(c => Resample(c, sound.Rate, rate, frames)));
    }

    /// <summary>Where a frame of a sound lies when it has another rate.</summary>
    public static int Frame(int frame, int from, int to) => (int)Math.Round(frame * (double)to / from);

    private static float[] Resample(float[] samples, int from, int to, int frames)
    {
        // Going down, what the new rate cannot hold is taken away; the band ends a little below half the rate.
        var band = 0.94 * Math.Min(1, (double)to / from);
        var reach = HalfTaps / band;
        var common = Greatest(from, to);
        var (up, down) = (to / common, from / common);
        // The taps of a frame depend only on where it lies between two of the old ones, and those places come round again.
        var filters = new float[up][];
        var half = (int)Math.Ceiling(reach);
        var result = new float[frames];
        var (at, phase) = (0, 0);
        for (var i = 0; i < frames; i++, at += down / up, phase += down % up)
        {
            if (phase >= up) (at, phase) = (at + 1, phase - up);
            var taps = filters[phase] ??= Taps((double)phase / up, half, band, reach);
            var first = at - half;
            var (skip, end) = (Math.Max(0, -first), Math.Min(taps.Length, samples.Length - first));
            if (skip < end) result[i] = Dot(taps.AsSpan(skip, end - skip), samples.AsSpan(first + skip, end - skip));
        }

        return result;
    }

    /// <summary>The weights of the samples around a place between two of them, with a sum of 1.</summary>
    private static float[] Taps(double between, int half, double band, double reach)
    {
        var taps = new double[(2 * half) + 2];
        for (var i = 0; i < taps.Length; i++) taps[i] = Tap(i - half - between, band, reach);
        var sum = taps.Sum();
        return [.. taps.Select(t => (float)(t / sum))];
    }

    /// <summary>Sums in sixteen rows, in the same order on every machine, so that the same sound gives the same bytes.</summary>
    private static float Dot(ReadOnlySpan<float> taps, ReadOnlySpan<float> samples)
    {
        ref var weight = ref MemoryMarshal.GetReference(taps);
        ref var value = ref MemoryMarshal.GetReference(samples);
        var (a, b) = (Vector256<float>.Zero, Vector256<float>.Zero);
        var i = 0;
        for (var last = Math.Min(taps.Length, samples.Length) - Rows; i <= last; i += Rows)
        {
            a += Vector256.LoadUnsafe(ref weight, (nuint)i) * Vector256.LoadUnsafe(ref value, (nuint)i);
            b += Vector256.LoadUnsafe(ref weight, (nuint)(i + (Rows / 2))) * Vector256.LoadUnsafe(ref value, (nuint)(i + (Rows / 2)));
        }

        var half = (a + b).GetLower() + (a + b).GetUpper();
        var sum = half[0] + half[1] + (half[2] + half[3]);
        for (; i < taps.Length; i++) sum += taps[i] * samples[i];
        return sum;
    }

    private static int Greatest(int a, int b) => b == 0 ? a : Greatest(b, a % b);

    private static double Tap(double x, double band, double reach)
    {
        var angle = Math.PI * x * band;
        var sinc = Math.Abs(angle) < 1e-12 ? 1 : Math.Sin(angle) / angle;
        var edge = 1 - (x / reach * (x / reach));
        return edge <= 0 ? 0 : sinc * Bessel(Beta * Math.Sqrt(edge));
    }

    /// <summary>The modified Bessel function of the first kind, order 0, by its series.</summary>
    private static double Bessel(double x)
    {
        var (sum, term) = (1.0, 1.0);
        for (var k = 1; term > sum * 1e-12; k++)
        {
            term *= x / (2 * k) * (x / (2 * k));
            sum += term;
        }

        return sum;
    }
}
