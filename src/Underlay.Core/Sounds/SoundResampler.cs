namespace Underlay.Core.Sounds;

/// <summary>Gives a sound another rate by a windowed sinc.</summary>
/// <remarks>Kaiser window of beta 9: what would alias lies more than 80 dB below.</remarks>
public static class SoundResampler
{
    private const int HalfTaps = 48;
    private const double Beta = 9;

    /// <summary>The sound at another rate, as long as before to half a frame.</summary>
    public static Sound To(Sound sound, int rate)
    {
        if (rate == sound.Rate) return sound;
        var frames = Math.Max(1, (int)Math.Round(sound.Frames * (double)rate / sound.Rate));
        return new Sound(rate, [.. sound.Channels.Select(c => Resample(c, sound.Rate, rate, frames))]);
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
        for (var i = 0; i < frames; i++)
        {
            var (at, phase) = ((long)i * down / up, (int)((long)i * down % up));
            var taps = filters[phase] ??= Taps((double)phase / up, half, band, reach);
            var first = (int)at - half;
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

    /// <summary>Sums in four rows, in the same order on every machine, so that the same sound gives the same bytes.</summary>
    private static float Dot(ReadOnlySpan<float> taps, ReadOnlySpan<float> samples)
    {
        var (a, b, c, d) = (0f, 0f, 0f, 0f);
        var i = 0;
        for (; i + 4 <= taps.Length; i += 4)
        {
            a += taps[i] * samples[i];
            b += taps[i + 1] * samples[i + 1];
            c += taps[i + 2] * samples[i + 2];
            d += taps[i + 3] * samples[i + 3];
        }

        for (; i < taps.Length; i++) a += taps[i] * samples[i];
        return a + b + c + d;
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
