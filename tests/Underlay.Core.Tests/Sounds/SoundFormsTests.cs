using Underlay.Core.Formats.Ogg;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Offers;
using Underlay.Core.Sounds;
using Underlay.Core.Steps;

namespace Underlay.Core.Tests.Sounds;

/// <summary>The forms in which a sound may be saved where it lies, with what each costs and what is lost.</summary>
public class SoundFormsTests
{
    private const int Rate = 48_000;

    private static float[] Tone(double hertz, double level) =>
        [.. Enumerable.Range(0, Rate).Select(i => (float)(level * Math.Sin(2 * Math.PI * hertz * i / Rate)))];

    private static IReadOnlyList<SoundForm> Forms(string path, params float[][] channels)
    {
        var sound = new Sound(Rate, channels);
        var overlay = APack.Of().With(path, WavWriter.Write(sound)).Check().Overlay!;
        return SoundForms.Of(overlay, overlay.OfPack(PackPath.Parse(path))!, sound);
    }

    [Fact]
    public void A_low_sound_loses_nothing_at_the_lower_rate_and_a_bright_one_its_brightness()
    {
        var low = Forms("audio/bells/one.wav", Tone(440, 0.4));
        Assert.Equal(["16-bit WAV, 48000 Hz, mono", "16-bit WAV, 32000 Hz, mono"], low.Select(f => f.Says));
        Assert.Equal((true, ""), (low[0].IsNow, low[0].Loses));
        Assert.Equal((64_044, ""), (low[1].Bytes, low[1].Loses));
        Assert.Equal([new ToRate(32_000)], low[1].Steps);
        Assert.Equal("its brightness above 16 kHz", Forms("audio/bells/one.wav", Tone(18_000, 0.4))[1].Loses);
        float[] both = [.. Tone(440, 0.4).Zip(Tone(18_000, 0.001), (a, b) => a + b)];
        Assert.Equal("a trace of brightness above 16 kHz", Forms("audio/bells/one.wav", both)[1].Loses);
    }

    [Fact]
    public void A_wide_sound_loses_its_width_in_one_channel_and_one_of_like_channels_nothing()
    {
        var wide = Forms("audio/ambience/quay.wav", Tone(300, 0.3), Tone(500, 0.3));
        Assert.Equal(4, wide.Count);
        Assert.Equal("its width", wide.Single(f => f.Says == "16-bit WAV, 48000 Hz, mono").Loses);
        var like = Forms("audio/ambience/quay.wav", Tone(300, 0.3), Tone(300, 0.3));
        Assert.Equal("", like.Single(f => f.Says == "16-bit WAV, 48000 Hz, mono").Loses);
        // Where the host wants one channel, two are no form.
        var bell = Forms("audio/bells/one.wav", Tone(300, 0.3), Tone(500, 0.3));
        Assert.All(bell, f => Assert.EndsWith("mono", f.Says, StringComparison.Ordinal));
    }

    /// <summary>What a form says is what its steps make.</summary>
    [Fact]
    public void The_steps_of_a_form_lead_to_a_file_of_its_length()
    {
        var sound = new Sound(Rate, [Tone(300, 0.3), Tone(500, 0.3)]);
        foreach (var form in Forms("audio/ambience/quay.wav", [.. sound.Channels]).Where(f => !f.IsNow))
        {
            var made = form.Steps.Aggregate(sound, (now, step) => step.Run(now));
            Assert.Equal(form.Bytes, WavWriter.Write(made).Length);
        }
    }

    [Fact]
    public void A_call_may_be_of_another_format_under_another_ending()
    {
        var sound = new Sound(Rate, [[.. Tone(900, 0.2), .. Tone(900, 0.2), .. Tone(900, 0.2)]]);
        var overlay = AGuide.Of().With("calls/asbra/1.wav", WavWriter.Write(sound)).Check().Overlay!;
        var forms = SoundForms.Of(overlay, overlay.OfPack(PackPath.Parse("calls/asbra/1.wav"))!, sound);
        Assert.True(forms[0].IsNow);
        var opus = forms.Single(f => f.Says.Contains("Opus", StringComparison.Ordinal));
        Assert.Equal(("what the coding leaves out, hardly heard", 0), (opus.Loses, opus.Steps.Count));
        Assert.Equal(OpusWriter.Write(sound).Length, opus.Bytes);
    }

    [Fact]
    public void Silence_loses_nothing() => Assert.All(Forms("audio/bells/one.wav", new float[Rate]), f => Assert.Equal("", f.Loses));
}
