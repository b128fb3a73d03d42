using NAudio.Dsp;

namespace Underlay.Core.Sounds;

/// <summary>
/// What a sound is like, so that two can be compared whatever their loudness and speed: how strong each band is over its course.
/// </summary>
internal sealed class SoundShape
{
    private const int Slices = 10;
    private const int Bands = 16;
    private const int Log2Window = 10;
    private const int Window = 1 << Log2Window;
    private const double LowestHertz = 80;
    private const double HighestHertz = 8000;

    // Softer than the loudest by more than this is not heard beside it. dB.
    private const double Depth = 40;

    // Sounds of which one is half as long again are as far apart as in 6 dB of all bands.
    private const double LengthWeight = 15;

    private readonly double[] levels;
    private readonly double seconds;

    private SoundShape(double[] levels, double seconds)
    {
        this.levels = levels;
        this.seconds = seconds;
    }

    /// <summary>The shape of the frames of a sound of one channel, from one to the one before another.</summary>
    public static SoundShape Of(Sound mono, int from, int to)
    {
        var samples = mono.Channels[0];
        var levels = new double[Slices * Bands];
        for (var slice = 0; slice < Slices; slice++)
        {
            // Windows lie evenly over the sound; of one that is shorter they lie over each other.
            var middle = from + (int)((to - from) * (slice + 0.5) / Slices);
            var spectrum = SpectrumAt(samples, middle - (Window / 2));
            for (var band = 0; band < Bands; band++) levels[(slice * Bands) + band] = Level(spectrum, band, mono.Rate);
        }

        var top = levels.Max();
        return new SoundShape([.. levels.Select(l => Math.Max(-Depth, l - top))], (double)(to - from) / mono.Rate);
    }

    /// <summary>How far two sounds are apart, dB: over bands and course, and by what their lengths differ.</summary>
    public double DistanceTo(SoundShape other)
    {
        var sum = 0.0;
        for (var i = 0; i < levels.Length; i++) sum += (levels[i] - other.levels[i]) * (levels[i] - other.levels[i]);
        return Math.Sqrt(sum / levels.Length) + (LengthWeight * Math.Abs(Math.Log(seconds / other.seconds)));
    }

    private static Complex[] SpectrumAt(float[] samples, int from)
    {
        var window = new Complex[Window];
        for (var i = 0; i < Window; i++)
        {
            var at = from + i;
            if (at < 0 || at >= samples.Length) continue;
            window[i].X = (float)(samples[at] * FastFourierTransform.HannWindow(i, Window));
        }

        FastFourierTransform.FFT(forward: true, Log2Window, window);
        return window;
    }

    /// <summary>The level of a band; bands are equally wide to the ear, each so many times the one below.</summary>
    private static double Level(Complex[] spectrum, int band, int rate)
    {
        var ratio = Math.Pow(HighestHertz / LowestHertz, 1.0 / Bands);
        var from = (int)(LowestHertz * Math.Pow(ratio, band) * Window / rate);
        var to = Math.Min(Window / 2, Math.Max(from + 1, (int)(LowestHertz * Math.Pow(ratio, band + 1) * Window / rate)));
        var power = 1e-12;
        for (var bin = from; bin < to; bin++) power += (spectrum[bin].X * spectrum[bin].X) + (spectrum[bin].Y * spectrum[bin].Y);
        return 10 * Math.Log10(power / Math.Max(1, to - from));
    }
}
