using Underlay.Core.Formats;
using Underlay.Core.Formats.Flac;
using Underlay.Core.Formats.Ogg;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Testing.Fuzzing;

/// <summary>The sounds that are read. Those that nothing here writes are a tenth of a second of a tone, in Samples/.</summary>
public static class SoundIntakes
{
    private static readonly Sound Tone = TestSound.Tone(48_000, 2, 0.1);

    /// <summary>A format each.</summary>
    public static IReadOnlyList<Intake> All { get; } =
    [
        new("wav", [WavWriter.Write(Tone), WavWriter.Write(Tone.ToMono()), Float(Tone)], Read),
        new("opus", [OpusWriter.Write(Tone), TestOpus.Of(2)], Read, MendOgg),
        new("vorbis", [Sample("tone.ogg")], Read, MendOgg),
        new("flac", [Sample("tone.flac")], Read),
        new("mp3", [Sample("tone.mp3")], Read),
        new("aiff", [TestAiff.Of(Tone)], Read),
    ];

    private static byte[] Sample(string name) =>
        File.ReadAllBytes(Path.Combine(Repository.Root, "tests/Underlay.Testing/Fuzzing/Samples", name));

    private static void Read(byte[] bytes)
    {
        foreach (var facts in new[] { WavReader.Inspect(bytes), OpusReader.Inspect(bytes) })
            if (facts.Problem is { } problem) PackIntake.AssertWords(problem);
            else if (facts.Header is not { Rate: > 0, Channels: > 0, Frames: > 0 }) throw new InvalidDataException("no header");
        AssertSound(SoundReader.Read(bytes));
        // Whatever it begins as, each reader may be given it.
        AssertSound(FlacReader.Read(bytes));
        AssertSound(OpusReader.Read(bytes));
        AssertSound(WavReader.Read(bytes));
        PackIntake.Check(APack.Of().With("audio/bells/low.wav", bytes));
        PackIntake.Check(AGuide.Of().With("calls/asbra/1.opus", bytes));
    }

    private static void AssertSound(Sound? sound)
    {
        if (sound is null) return;
        if (sound.Rate <= 0 || sound.Frames == 0 || sound.Channels.Any(c => c.Length != sound.Frames || !c.All(float.IsFinite)))
            throw new InvalidDataException($"{sound.Channels.Count} channels of {sound.Frames} frames at {sound.Rate} Hz");
    }

    private static byte[] Float(Sound sound)
    {
        var data = sound.Channels[0].SelectMany(BitConverter.GetBytes).ToArray();
        return
        [
            .. "RIFF"u8, .. BitConverter.GetBytes(36 + data.Length), .. "WAVEfmt "u8, 16, 0, 0, 0, 3, 0, 1, 0,
            .. BitConverter.GetBytes(sound.Rate), .. BitConverter.GetBytes(sound.Rate * 4), 4, 0, 32, 0, .. "data"u8,
            .. BitConverter.GetBytes(data.Length), .. data,
        ];
    }

    /// <summary>Makes the checksum of each page right again.</summary>
    private static byte[] MendOgg(byte[] ogg)
    {
        for (var at = 0; ogg.Length - at >= 27 && ogg.AsSpan(at).StartsWith("OggS"u8);)
        {
            var length = 27 + ogg[at + 26];
            if (length > ogg.Length - at) break;
            length += ogg.AsSpan(at + 27, ogg[at + 26]).ToArray().Sum(l => l);
            if (length > ogg.Length - at) break;
            TestOpus.Sign(ogg.AsSpan(at, length));
            at += length;
        }

        return ogg;
    }
}
