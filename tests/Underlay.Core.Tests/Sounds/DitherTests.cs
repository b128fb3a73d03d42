using CsCheck;
using Underlay.Core.Formats;
using Underlay.Core.Sounds;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Sounds;

/// <summary>Sounds finer than 16 bits are rounded so that what is softest is still heard.</summary>
public class DitherTests
{
    private const int Rate = 48_000;

    private static Sound Sine(double level, double hertz = 1000) => new(
        Rate,
        [[.. Enumerable.Range(0, Rate).Select(i => (float)(level * Math.Sin(2 * Math.PI * hertz * i / Rate)))]]);

    /// <summary>How much of a tone is in a sound: its level by the discrete Fourier transform at one frequency.</summary>
    private static double LevelAt(Sound sound, double hertz)
    {
        var (real, imaginary) = (0.0, 0.0);
        for (var i = 0; i < sound.Frames; i++)
        {
            var angle = 2 * Math.PI * hertz * i / sound.Rate;
            real += sound.Channels[0][i] * Math.Cos(angle);
            imaginary += sound.Channels[0][i] * Math.Sin(angle);
        }

        return 2 * Math.Sqrt((real * real) + (imaginary * imaginary)) / sound.Frames;
    }

    [Fact]
    public void Every_sample_is_a_level_of_16_bits_at_most_one_and_a_half_away() => Gen.Float[-0.99f, 0.99f].Array[1, 300].Sample(samples =>
    {
        var sound = new Sound(Rate, [samples]);
        var round = ToDepth.Dithered.Run(sound);
        Assert.True(ToDepth.IsRound(round));
        // What is round is not rounded again, and a file has it as it is.
        Assert.Same(round, ToDepth.Dithered.Run(round));
        Assert.Equal(round.Channels[0], SoundReader.Read(FileFormats.Wav.Encode(round))!.Channels[0]);
        Assert.All(
            samples.Zip(round.Channels[0]),
            pair => Assert.InRange(Math.Abs(pair.First - pair.Second), 0, 1.5 * ToDepth.Level + 1e-9));
    });

    /// <summary>A tone of four tenths of a level is nothing when it is merely rounded.</summary>
    [Fact]
    public void A_tone_softer_than_a_level_is_still_heard_and_no_louder()
    {
        var soft = Sine(0.4 * ToDepth.Level);
        Assert.Equal(0, LevelAt(SoundReader.Read(FileFormats.Wav.Encode(soft))!, 1000), 9);
        Assert.InRange(LevelAt(ToDepth.Dithered.Run(soft), 1000) / ToDepth.Level, 0.36, 0.44);
    }

    /// <summary>A soft tone that is merely rounded has overtones; with dither they lie in the noise.</summary>
    [Fact]
    public void Overtones_of_the_rounding_are_gone()
    {
        var soft = Sine(2.3 * ToDepth.Level, 400);
        var (rounded, dithered) = (SoundReader.Read(FileFormats.Wav.Encode(soft))!, ToDepth.Dithered.Run(soft));
        Assert.InRange(LevelAt(rounded, 1200) / ToDepth.Level, 0.05, 1);
        Assert.InRange(LevelAt(dithered, 1200) / ToDepth.Level, 0, 0.03);
    }

    [Fact]
    public void Silence_stays_silence_and_channels_have_noise_of_their_own()
    {
        float[] silence = [.. new float[100], 0.1001f];
        Assert.All(ToDepth.Dithered.Run(new Sound(Rate, [silence])).Channels[0][..100], s => Assert.Equal(0, s));
        var same = Sine(0.3).Channels[0];
        var both = ToDepth.Dithered.Run(new Sound(Rate, [same, same]));
        Assert.NotEqual(both.Channels[0], both.Channels[1]);
        Assert.Equal(both.Channels[0], ToDepth.Dithered.Run(Sine(0.3)).Channels[0]);
    }
}
