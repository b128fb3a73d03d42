using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Testing;

/// <summary>Sounds for tests: a tone that swells and dies away.</summary>
public static class TestSound
{
    /// <summary>A tone as samples.</summary>
    public static Sound Tone(
        int rate = 32_000,
        int channels = 1,
        double seconds = 0.25,
        double level = 0.3,
        double lead = 0,
        double hertz = 440)
    {
        var (silent, frames) = ((int)(lead * rate), (int)(seconds * rate));
        var samples = new float[silent + frames];
        for (var i = 0; i < frames; i++)
            samples[silent + i] = (float)(level * Math.Min(1, (i + 20) / 40.0) * Math.Sin(2 * Math.PI * hertz * i / rate));
        return new Sound(rate, [.. Enumerable.Range(0, channels).Select(_ => samples)]);
    }

    /// <summary>A tone as a WAV file of 16-bit PCM.</summary>
    public static byte[] Wav(int rate = 32_000, int channels = 1, double seconds = 0.25, double level = 0.3, double lead = 0) =>
        WavWriter.Write(Tone(rate, channels, seconds, level, lead));
}
