using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Sounds;

public class SoundResamplerTests
{
    private static Sound Tone(double hertz, int rate, double seconds = 1) => new(
        rate,
        [[.. Enumerable.Range(0, (int)(seconds * rate)).Select(i => (float)(0.5 * Math.Sin(2 * Math.PI * hertz * i / rate)))]]);

    /// <summary>The level of what a sound has beyond a tone of that frequency and any phase, beside the tone; edges left aside.</summary>
    private static double Rest(Sound sound, double hertz)
    {
        var samples = sound.Channels[0][(sound.Rate / 10)..^(sound.Rate / 10)];
        var (sine, cosine) = (0.0, 0.0);
        for (var i = 0; i < samples.Length; i++)
        {
            var angle = 2 * Math.PI * hertz * i / sound.Rate;
            sine += samples[i] * Math.Sin(angle);
            cosine += samples[i] * Math.Cos(angle);
        }

        var (a, b) = (2 * sine / samples.Length, 2 * cosine / samples.Length);
        var rest = 0.0;
        for (var i = 0; i < samples.Length; i++)
        {
            var angle = 2 * Math.PI * hertz * i / sound.Rate;
            var left = samples[i] - (a * Math.Sin(angle)) - (b * Math.Cos(angle));
            rest += left * left;
        }

        return 10 * Math.Log10(rest / samples.Length / 0.125);
    }

    [Theory]
    [InlineData(44_100, 48_000, 1000)]
    [InlineData(44_100, 48_000, 15_000)]
    [InlineData(48_000, 32_000, 5000)]
    [InlineData(22_050, 32_000, 9000)]
    [InlineData(96_000, 48_000, 10_000)]
    public void A_tone_stays_that_tone_and_nothing_else_is_heard(int from, int to, double hertz)
    {
        var sound = SoundResampler.To(Tone(hertz, from), to);
        Assert.Equal(to, sound.Rate);
        Assert.InRange(sound.Frames, to - 1, to + 1);
        Assert.True(Rest(sound, hertz) < -80, $"{Rest(sound, hertz):0.0} dB of other sound");
    }

    [Theory]
    [InlineData(48_000, 32_000, 19_000)]
    [InlineData(96_000, 48_000, 30_000)]
    [InlineData(44_100, 32_000, 18_000)]
    public void What_the_new_rate_cannot_hold_is_gone_by_80_dB(int from, int to, double hertz)
    {
        var samples = SoundResampler.To(Tone(hertz, from), to).Channels[0][(to / 10)..^(to / 10)];
        Assert.True(Decibels.Of(samples.Max(Math.Abs) / 0.5) < -80);
    }

    [Fact]
    public void The_same_rate_changes_nothing_and_frames_move_along()
    {
        var sound = Tone(440, 32_000);
        Assert.Same(sound, SoundResampler.To(sound, 32_000));
        Assert.Equal(48_000, SoundResampler.Frame(44_100, 44_100, 48_000));
    }
}
