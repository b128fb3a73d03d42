using CsCheck;
using Underlay.Core.Findings;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Sounds;

/// <summary>What is measured of a recording beside its loudness: the noise in its pauses, and where it was too loud.</summary>
public class SoundMeasureTests
{
    private const int Rate = 48_000;

    private static float[] Noise(double seconds, double level)
    {
        var random = new Random(7);
        return [.. Enumerable.Range(0, (int)(seconds * Rate)).Select(_ => (float)(level * ((2 * random.NextDouble()) - 1)))];
    }

    [Theory]
    [InlineData(0.01, -44.8)]
    [InlineData(0.001, -64.8)]
    public void The_noise_floor_is_the_level_of_the_pauses(double level, double expected)
    {
        // Three tones in the noise of a room; noise of that width has an RMS of 1 / sqrt 3 of its greatest.
        var room = Noise(6, level);
        for (var i = 0; i < room.Length; i++)
            if (i % (2 * Rate) < Rate) room[i] += (float)(0.4 * Math.Sin(2 * Math.PI * 330 * i / Rate));
        Assert.Equal(expected, NoiseFloor.Of(new Sound(Rate, [room]))!.Value, 0.4);
    }

    [Fact]
    public void Digital_silence_has_none_and_what_is_too_short_has_no_pauses()
    {
        Assert.Equal(double.NegativeInfinity, NoiseFloor.Of(new Sound(Rate, [new float[Rate]])));
        Assert.Null(NoiseFloor.Of(new Sound(Rate, [Noise(0.4, 0.1)])));
    }

    [Fact]
    public void A_tone_that_was_too_loud_is_clipped_in_each_half_of_each_wave()
    {
        float[] Tone(double level) =>
            [.. Enumerable.Range(0, Rate).Select(i => (float)Math.Clamp(level * Math.Sin(2 * Math.PI * 100 * (i + 0.5) / Rate), -1, 1))];
        Assert.Equal(0, Clipping.RunsIn(new Sound(Rate, [Tone(0.99)])));
        Assert.Equal(200, Clipping.RunsIn(new Sound(Rate, [Tone(1.5)])));
        Assert.Equal(400, Clipping.RunsIn(new Sound(Rate, [Tone(1.5), Tone(2)])));
    }

    [Fact]
    public void A_clipped_sound_of_a_pack_is_told_beside_its_peak()
    {
        var tone = TestSound.Tone(level: 3);
        var clipped = WavWriter.Write(tone with { Channels = [[.. tone.Channels[0].Select(s => Math.Clamp(s, -1, 1))]] });
        var told = APack.Of().With("audio/bells/one.wav", clipped).Findings();
        Assert.Contains(told, f => f.Code.Value == "sound/clipped" && f.Severity == Severity.Note);
        Assert.Contains(told, f => f is { Code.Value: "sound/heard", Discriminator: "peak" });
    }

    /// <summary>A sound whose peak just reaches full scale is not taken for one that was too loud; made softer, none is.</summary>
    [Fact]
    public void No_sound_below_full_scale_is_clipped() =>
        Gen.Float[-1, 1].Array[1, 200].Sample(
            samples => Assert.Equal(0, Clipping.RunsIn(new Sound(Rate, [[.. samples.Select(s => s * 0.9999f * 0.9999f)]]))));
}
