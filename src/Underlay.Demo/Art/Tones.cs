using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Demo.Art;

/// <summary>Sounds made by sums of tones and noise; the same bytes each run.</summary>
internal static class Tones
{
    private const int Rate = 32_000;

    /// <summary>A bell: partials that are not quite whole multiples, each dying away by itself.</summary>
    /// <param name="hertz">The strike note.</param>
    /// <param name="seconds">How long it is heard.</param>
    /// <param name="level">The highest level, 0 to 1.</param>
    public static Sound Bell(double hertz, double seconds, double level = 0.6)
    {
        (double Ratio, double Share, double Life)[] partials =
        [
            (0.5, 0.35, 1), (1, 1, 0.8), (1.19, 0.5, 0.6), (1.5, 0.35, 0.5), (2, 0.6, 0.4), (2.74, 0.25, 0.25), (3.76, 0.15, 0.18),
        ];
        return Make(seconds, level, t => partials.Sum(p =>
            p.Share * Math.Exp(-4.5 * t / (seconds * p.Life)) * Math.Sin(2 * Math.PI * hertz * p.Ratio * t)));
    }

    /// <summary>A knock on wood, clay or iron.</summary>
    /// <param name="hertz">What rings.</param>
    /// <param name="grit">How much of it is noise, 0 to 1.</param>
    /// <param name="seed">Another knock for another number.</param>
    public static Sound Knock(double hertz, double grit, int seed)
    {
        var noise = new Noise(seed);
        return Make(0.35, 0.5, t => Math.Exp(-18 * t)
            * (((1 - grit) * Math.Sin(2 * Math.PI * hertz * t)) + (grit * Hiss(noise, t * Rate * 0.37, 1))));
    }

    /// <summary>Fire that crackles.</summary>
    public static Sound Crackle(double seconds, int seed, double density)
    {
        var noise = new Noise(seed);
        var snaps = Enumerable.Range(0, (int)(seconds * density))
            .Select(i => (At: noise.At(i, 1) * seconds, Level: 0.3 + (0.7 * noise.At(i, 2))))
            .ToList();
        return Make(seconds, 0.45, t =>
            (0.12 * Hiss(noise, t * 900, 3))
            + snaps.Where(s => t >= s.At && t < s.At + 0.02)
                .Sum(s => s.Level * Math.Exp(-(t - s.At) * 300) * Hiss(noise, t * Rate * 0.5, 4)));
    }

    /// <summary>Wind, water or a crowd: soft noise that swells, and meets its own start without a seam.</summary>
    public static Sound Murmur(double seconds, int seed, double colour, double swell)
    {
        var noise = new Noise(seed);
        const double Seam = 0.5;
        double Raw(double t) =>
            (0.6 + (0.4 * Math.Sin(2 * Math.PI * swell * t / seconds)))
            * ((0.7 * Hiss(noise, t * colour, 1)) + (0.3 * Hiss(noise, t * colour * 3.7, 2)));
        // The end goes over into what comes before the start.
        return Make(seconds, 0.3, t =>
        {
            var left = seconds - t;
            return left >= Seam ? Raw(t) : (Raw(t) * left / Seam) + (Raw(t - seconds) * (Seam - left) / Seam);
        });
    }

    /// <summary>A bird: notes that glide, each bird with its own number, pace and fall; as loud as a guide wants calls.</summary>
    /// <param name="seconds">How long it is heard.</param>
    /// <param name="hertz">The middle of its voice.</param>
    /// <param name="bird">Another bird for another number.</param>
    public static Sound Call(double seconds, double hertz, int bird)
    {
        const int CallRate = 48_000;
        const double Wanted = -20;
        var notes = 3 + (bird % 4);
        var samples = new float[(int)(seconds * CallRate)];
        var phase = 0.0;
        for (var i = 0; i < samples.Length; i++)
        {
            var at = i / (double)samples.Length * notes % 1;
            var glide = 1 + (((bird % 3) - 1) * 0.25 * at) + (0.06 * Math.Sin(2 * Math.PI * (6 + bird) * at));
            phase += 2 * Math.PI * hertz * glide / CallRate;
            samples[i] = (float)(0.3 * Math.Pow(Math.Sin(Math.PI * Math.Clamp(at * 1.3, 0.02, 1)), 0.6) * Math.Sin(phase));
        }

        var call = new Sound(CallRate, [samples]);
        return call.Gain(Wanted - Loudness.Of(call)!.Value);
    }

    /// <summary>The sound as a WAV file.</summary>
    public static byte[] ToWav(this Sound sound) => WavWriter.Write(sound);

    /// <summary>The sound as a WAV file of 24 bits, as recorders make them.</summary>
    public static byte[] ToWav24(this Sound sound)
    {
        var file = new List<byte>(WavWriter.Write(sound)[..44]);
        foreach (var sample in sound.Channels[0])
        {
            var value = (int)Math.Round(sample * 8_388_607);
            file.AddRange([(byte)value, (byte)(value >> 8), (byte)(value >> 16)]);
        }

        var bytes = file.ToArray();
        BitConverter.TryWriteBytes(bytes.AsSpan(4), bytes.Length - 8);
        BitConverter.TryWriteBytes(bytes.AsSpan(28), sound.Rate * 3);
        (bytes[32], bytes[34]) = (3, 24);
        BitConverter.TryWriteBytes(bytes.AsSpan(40), bytes.Length - 44);
        return bytes;
    }

    /// <summary>Noise from -1 to 1, straight between one point and the next.</summary>
    private static double Hiss(Noise noise, double at, int row)
    {
        var point = (int)Math.Floor(at);
        return (Noise.Mix(noise.At(point, row), noise.At(point + 1, row), at - point) * 2) - 1;
    }

    /// <summary>Samples of a function of time, brought to a level.</summary>
    private static Sound Make(double seconds, double level, Func<double, double> at)
    {
        var samples = new double[(int)(seconds * Rate)];
        for (var i = 0; i < samples.Length; i++) samples[i] = at(i / (double)Rate);
        var most = samples.Max(Math.Abs);
        return new Sound(Rate, [[.. samples.Select(s => (float)(s / most * level))]]);
    }
}
