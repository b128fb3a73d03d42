using System.Diagnostics;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Flac;
using Underlay.Core.Formats.Ogg;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Sounds;

/// <summary>Sounds as authors have them, written by the common programs of each format, which <c>./test</c> installs.</summary>
public sealed class FormatsOfSoundsTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("underlay-sounds").FullName;

    /// <summary>Two channels that differ, with tone, noise and a stretch of silence: every way of packing samples is used.</summary>
    private static Sound Some(int rate = 44_100, double seconds = 1.5)
    {
        var (tone, random) = (TestSound.Tone(rate, seconds: seconds), new Random(5));
        var one = tone.Channels[0].Select((s, i) => i > rate && i < rate * 1.1 ? 0 : s).ToArray();
        return new Sound(
            rate,
            [one, [.. one.Select((s, i) => (float)((0.5 * s) + (i < rate / 2 ? 0.1 * (random.NextDouble() - 0.5) : 0)))]]);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Theory]
    [InlineData(0)]
    [InlineData(2)]
    [InlineData(5)]
    [InlineData(8)]
    public void Flac_is_read_to_the_sample_at_each_level_of_compression(int level)
    {
        var wav = WavWriter.Write(Some());
        var flac = Convert(wav, "in.wav", "out.flac", "flac", $"-{level}", "-s", "-f", "-o", "out.flac", "in.wav");
        AssertSame(WavReader.Read(wav)!, SoundReader.Read(flac)!, 0);
    }

    [Fact]
    public void Flac_of_one_channel_of_24_bits_and_of_odd_blocks_is_read_to_the_sample()
    {
        byte[] wav = TestWav24(Some(96_000, 0.3).ToMono());
        var flac = Convert(wav, "in.wav", "out.flac", "flac", "-8", "-s", "-f", "-b", "1000", "--lax", "-o", "out.flac", "in.wav");
        AssertSame(WavReader.Read(wav)!, FlacReader.Read(flac)!, 0);
        Assert.Null(FlacReader.Read(flac.AsSpan(0, flac.Length - 9)));
        flac[^20] ^= 4;
        Assert.Null(FlacReader.Read(flac));
    }

    [Fact]
    public void Vorbis_is_read_as_its_own_program_reads_it()
    {
        var ogg = Convert(WavWriter.Write(Some()), "in.wav", "out.ogg", "oggenc", "-Q", "-q", "6", "-o", "out.ogg", "in.wav");
        var theirs = WavReader.Read(Convert(ogg, "in.ogg", "out.wav", "oggdec", "-Q", "-o", "out.wav", "in.ogg"))!;
        AssertSame(theirs, SoundReader.Read(ogg)!, 2e-4);
    }

    [Fact]
    public void Mp3_is_read_as_its_own_program_reads_it()
    {
        var mp3 = Convert(WavWriter.Write(Some()), "in.wav", "out.mp3", "lame", "--quiet", "-b", "192", "in.wav", "out.mp3");
        var theirs = WavReader.Read(Convert(mp3, "in.mp3", "out.wav", "lame", "--quiet", "--decode", "in.mp3", "out.wav"))!;
        var mine = SoundReader.Read(mp3)!;
        Assert.Equal((44_100, 2), (mine.Rate, mine.Channels.Count));
        // The program leaves away what the encoder put in front.
        var late = Enumerable.Range(0, 3000).MinBy(late => Distance(theirs.Channels[0], mine.Channels[0], late));
        Assert.True(Distance(theirs.Channels[0], mine.Channels[0], late) < 2e-4);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void Opus_is_read_as_its_own_program_reads_it(int channels)
    {
        var sound = channels == 1 ? Some().ToMono() : Some();
        var opus = Convert(WavWriter.Write(sound), "in.wav", "out.opus", "opusenc", "--quiet", "in.wav", "out.opus");
        var theirs = WavReader.Read(Convert(opus, "in.opus", "out.wav", "opusdec", "--quiet", "--rate", "48000", "in.opus", "out.wav"))!;
        AssertSame(theirs, SoundReader.Read(opus)!, 3e-3);
        Assert.Equal(theirs.Frames, OpusReader.Inspect(opus).Header!.Frames);
    }

    [Theory]
    [InlineData(44_100, 1)]
    [InlineData(48_000, 2)]
    public void Opus_is_written_so_that_its_own_program_reads_it_and_hears_the_same(int rate, int channels)
    {
        var sound = channels == 1 ? Some(rate).ToMono() : Some(rate);
        var opus = OpusWriter.Write(sound);
        Assert.Equal(opus, OpusWriter.Write(sound));
        var theirs = WavReader.Read(Convert(opus, "in.opus", "out.wav", "opusdec", "--quiet", "--rate", "48000", "in.opus", "out.wav"))!;
        var wanted = SoundResampler.To(sound, 48_000);
        Assert.Equal((channels, wanted.Frames), (theirs.Channels.Count, theirs.Frames));
        Assert.Equal(Loudness.Of(wanted)!.Value, Loudness.Of(theirs)!.Value, 0.3);
        // In step to the sample: no lag makes the two agree better.
        Assert.Equal(0, Enumerable.Range(-40, 81).MinBy(lag => Distance(wanted.Channels[0], theirs.Channels[0], lag)));
        Assert.Null(OpusReader.Inspect(opus).Problem);
        Assert.NotNull(OpusReader.Inspect(opus).Measure);
    }

    [Fact]
    public void Aiff_is_read_to_the_sample()
    {
        var sound = WavReader.Read(WavWriter.Write(Some()))!;
        AssertSame(sound, SoundReader.Read(TestAiff.Of(sound))!, 1e-6);
    }

    private static byte[] TestWav24(Sound sound)
    {
        var data = sound.Channels[0].SelectMany(s => BitConverter.GetBytes((int)(s * 8_388_607) << 8).Skip(1)).ToArray();
        return
        [
            .. "RIFF"u8, .. BitConverter.GetBytes(36 + data.Length), .. "WAVEfmt "u8, 16, 0, 0, 0, 1, 0, 1, 0,
            .. BitConverter.GetBytes(sound.Rate), .. BitConverter.GetBytes(sound.Rate * 3), 3, 0, 24, 0, .. "data"u8,
            .. BitConverter.GetBytes(data.Length), .. data,
        ];
    }

    private static void AssertSame(Sound wanted, Sound found, double within)
    {
        Assert.Equal((wanted.Rate, wanted.Channels.Count, wanted.Frames), (found.Rate, found.Channels.Count, found.Frames));
        for (var c = 0; c < wanted.Channels.Count; c++)
            Assert.True(wanted.Channels[c].Zip(found.Channels[c]).Max(s => Math.Abs(s.First - s.Second)) <= within, $"channel {c}");
    }

    /// <summary>The mean of what two differ by, the second taken later by so many frames.</summary>
    private static double Distance(float[] one, float[] other, int late)
    {
        var (sum, count) = (0.0, 0);
        for (var i = Math.Max(0, -late) + 2000; i < one.Length && i + late < other.Length; i++, count++)
            sum += Math.Abs(one[i] - other[i + late]);
        return count < 1000 ? double.MaxValue : sum / count;
    }

    private byte[] Convert(byte[] bytes, string from, string to, string program, params string[] arguments)
    {
        File.WriteAllBytes(Path.Combine(folder, from), bytes);
        using var run = Process.Start(
            new ProcessStartInfo(program, arguments) { WorkingDirectory = folder, RedirectStandardError = true })!;
        var problem = run.StandardError.ReadToEnd();
        run.WaitForExit();
        Assert.True(run.ExitCode == 0, problem);
        return File.ReadAllBytes(Path.Combine(folder, to));
    }
}
