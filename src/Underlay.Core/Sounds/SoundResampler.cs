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
        var result = new float[frames];
        for (var i = 0; i < frames; i++)
        {
            var at = i * (double)from / to;
            var (sum, weight) = (0.0, 0.0);
            for (var j = (int)Math.Ceiling(at - reach); j <= at + reach; j++)
            {
                var tap = Tap(j - at, band, reach);
                weight += tap;
                if (j >= 0 && j < samples.Length) sum += samples[j] * tap;
            }

            result[i] = (float)(sum / weight);
        }

        return result;
    }

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
