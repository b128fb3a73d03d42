using CsCheck;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Core.Tests.Sounds;

public class WavTests
{
    private static byte[] With(int at, params byte[] bytes)
    {
        var wav = TestSound.Wav();
        bytes.CopyTo(wav, at);
        return wav;
    }

    [Fact]
    public void What_is_written_is_read_back() =>
        Gen.Select(
            Gen.Int[1, 2],
            Gen.OneOfConst(8000, 32_000, 48_000),
            Gen.Float[-1, 0.999f].Array[1, 200]).Sample((channels, rate, samples) =>
        {
            var sound = new Sound(rate, [.. Enumerable.Range(0, channels).Select(_ => samples)]);
            var read = WavReader.Read(WavWriter.Write(sound))!;
            Assert.Equal((rate, channels, samples.Length), (read.Rate, read.Channels.Count, read.Frames));
            Assert.All(samples.Zip(read.Channels[^1]), pair => Assert.Equal(pair.First, pair.Second, 1 / 32768f));
            var facts = WavReader.Inspect(WavWriter.Write(sound));
            Assert.Equal((null, new SoundHeader(rate, channels, samples.Length)), (facts.Problem, facts.Header));
        });

    public static TheoryData<string, byte[], string> Broken => new()
    {
        { "no bytes", [], "it is no WAV file" },
        { "a text", "hello, this is a text and no sound at all"u8.ToArray(), "it is no WAV file" },
        { "floating point", With(20, 3, 0), "its samples are floating point" },
        { "compressed", With(20, 17, 0), "it is compressed" },
        { "24 bits", With(34, 24), "it has 24 bits" },
        { "no channel", With(22, 0), "it has 0 channels" },
        { "three channels", With(22, 3), "it has 3 channels" },
        { "no rate", With(24, 0, 0, 0, 0), "its rate is 0 Hz" },
        { "cut", TestSound.Wav()[..400], "it ends before its samples do" },
        { "a header that is cut", TestSound.Wav()[..30], "its header is cut" },
        { "no samples", With(40, 0, 0, 0, 0), "it has no samples" },
        { "half a frame", With(40, 3, 0, 0, 0), "its last frame is cut" },
        { "samples of four gigabytes", With(40, 255, 255, 255, 255), "it ends before its samples do" },
        { "chunks without end", [.. TestSound.Wav()[..12], .. "junk"u8, 255, 255, 255, 255, 1, 2], "it has no samples" },
    };

    [Theory]
    [MemberData(nameof(Broken))]
    public void A_broken_file_is_told_and_never_thrown_over(string what, byte[] file, string problem)
    {
        Assert.NotEmpty(what);
        Assert.Equal(problem, WavReader.Inspect(file).Problem);
        _ = WavReader.Read(file);
    }

    [Fact]
    public void Any_bytes_can_be_looked_at() =>
        Gen.Select(Gen.Byte.Array[0, 80], Gen.Int[0, 43], Gen.Bool).Sample((bytes, at, isWav) =>
        {
            var file = isWav ? TestSound.Wav(seconds: 0.01) : bytes;
            if (isWav) bytes.AsSpan(0, Math.Min(bytes.Length, file.Length - at)).CopyTo(file.AsSpan(at));
            Assert.Equal(WavReader.Inspect(file).Problem is null, WavReader.Inspect(file).Header is not null);
            _ = WavReader.Read(file);
        });

    [Theory]
    [InlineData(8)]
    [InlineData(24)]
    [InlineData(32)]
    public void Recordings_of_another_depth_are_read_for_saving_anew(int bits)
    {
        var wav = WavWriter.Write(new Sound(32_000, [[0.5f]]))[..44];
        (wav[32], wav[34]) = ((byte)(bits / 8), (byte)bits);
        wav[40] = (byte)(bits / 8);
        byte[] half = bits == 8 ? [192] : [.. new byte[(bits / 8) - 1], 64];
        Assert.Equal(0.5f, WavReader.Read((byte[])[.. wav, .. half])!.Channels[0][0], 0.01f);
    }

    [Fact]
    public void A_seam_that_jumps_clicks_and_one_that_meets_does_not()
    {
        var tone = TestSound.Tone(seconds: 0.5, hertz: 400);
        Assert.Null(LoopSeam.Click(tone, 800, 8800));
        Assert.InRange(LoopSeam.Click(tone, 800, 8820)!.Value, 0.2, 0.4);
    }
}
