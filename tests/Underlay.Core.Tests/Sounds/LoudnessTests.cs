using CsCheck;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Sounds;

/// <summary>Loudness and true peak against the signals of EBU Tech 3341, made here by its rules, and what it expects of them.</summary>
public class LoudnessTests
{
    private const int Rate = 48_000;

    /// <summary>Stretches of a stereo sine: level of its peak in dBFS, seconds.</summary>
    private static Sound Sine(double hertz, int rate, params (double Level, double Seconds)[] stretches)
    {
        var samples = new List<float>();
        foreach (var (level, seconds) in stretches)
            for (var i = 0; i < seconds * rate; i++)
                samples.Add((float)(Math.Pow(10, level / 20) * Math.Sin(2 * Math.PI * hertz * samples.Count / rate)));
        var channel = samples.ToArray();
        return new Sound(rate, [channel, channel]);
    }

    public static TheoryData<string, (double, double)[], double> Signals => new()
    {
        { "1: -23 for 20 s", [(-23, 20)], -23 },
        { "2: -33 for 20 s", [(-33, 20)], -33 },
        { "3: soft ends are gated", [(-36, 10), (-23, 60), (-36, 10)], -23 },
        { "4: softer ends too", [(-72, 10), (-36, 10), (-23, 60), (-36, 10), (-72, 10)], -23 },
        { "5: the middle is softer", [(-26, 20), (-20, 20.1), (-26, 20)], -23 },
    };

    /// <summary>EBU Tech 3341: the momentary loudness looks 0.4 s back, and a steady tone has the one of the whole.</summary>
    [Fact]
    public void While_it_is_played_it_follows_what_was_heard_in_the_last_four_tenths()
    {
        var levels = Loudness.Over(Sine(1000, Rate, (-60, 1), (-23, 1), (-99, 1)));
        Assert.Equal(30, levels.Count);
        Assert.Equal(-60, levels[9], 0.1);
        Assert.Equal(-23, levels[19], 0.1);
        // A quarter of the window is loud, then half of it.
        Assert.Equal(-29, levels[10], 0.1);
        Assert.Equal(-26, levels[11], 0.1);
        Assert.Equal(-70, levels[29], 0.1);
        // What is shorter than the window has a level too.
        Assert.Equal(-26, Loudness.Over(Sine(1000, Rate, (-23, 0.2)))[^1], 0.2);
    }

    [Theory]
    [MemberData(nameof(Signals))]
    public void Integrated_loudness_is_what_the_signal_is_made_for(string signal, (double, double)[] stretches, double expected)
    {
        Assert.NotEmpty(signal);
        Assert.Equal(expected, Loudness.Of(Sine(1000, Rate, stretches))!.Value, 0.1);
    }

    [Theory]
    [InlineData(32_000)]
    [InlineData(44_100)]
    [InlineData(96_000)]
    public void It_is_the_same_at_another_rate(int rate) => Assert.Equal(-23, Loudness.Of(Sine(1000, rate, (-23, 20)))!.Value, 0.1);

    [Fact]
    public void Silence_has_none_and_one_channel_counts_half()
    {
        Assert.Null(Loudness.Of(new Sound(Rate, [new float[Rate]])));
        var stereo = Sine(1000, Rate, (-23, 5));
        Assert.Equal(-26, Loudness.Of(stereo with { Channels = [stereo.Channels[0]] })!.Value, 0.1);
    }

    [Theory]
    [InlineData(0, 4)]
    [InlineData(45, 4)]
    [InlineData(60, 6)]
    public void A_peak_between_samples_is_found(double degrees, int samplesATurn)
    {
        // EBU Tech 3341, signals 15 to 17: 0.5 of full scale, its samples beside the peaks; within +0.2 and -0.4 dB.
        var samples = new float[Rate];
        for (var i = 0; i < samples.Length; i++)
        {
            var edge = Math.Min(1, Math.Min(i, samples.Length - 1 - i) / 2400.0);
            samples[i] = (float)(0.5 * edge * Math.Sin((2 * Math.PI * i / samplesATurn) + (degrees * Math.PI / 180)));
        }

        Assert.InRange(Decibels.Of(TruePeak.Of(new Sound(Rate, [samples]))), -6.4, -5.8);
    }

    [Fact]
    public void The_true_peak_is_never_below_the_samples() =>
        Gen.Float[-1, 1].Array[1, 400].Sample(
            samples => Assert.True(TruePeak.Of(new Sound(Rate, [samples])) >= samples.Max(Math.Abs)));
}
