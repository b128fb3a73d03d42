using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>Random sounds and tables of sounds: sound ones, and ones with a fault.</summary>
internal static class SoundGen
{
    private static readonly Gen<byte[]> Sound = Gen.Select(
        Gen.OneOfConst(32_000, 48_000, 44_100, 22_050),
        Gen.OneOfConst(1, 1, 2),
        Gen.OneOfConst(0.02, 0.1, 0.3))
        .Select((rate, channels, seconds) => TestSound.Wav(rate, channels, seconds));

    public static readonly Gen<byte[]> Sounds = Gen.Frequency(
        (5, Sound),
        (2, Gen.Select(Sound, Gen.Int[0, 47], Gen.Byte).Select((wav, at, value) => Changed(wav, at, value))),
        (1, Gen.Select(Sound, Gen.Int[0, 99]).Select((wav, percent) => wav[..(wav.Length * percent / 100)])),
        (1, Sound.Select(wav => (byte[])[.. wav[..12], .. "note"u8, 3, 0, 0, 0, 1, 2, 3, 0, .. wav[12..], 9, 9])),
        (1, Gen.OneOfConst("hello"u8.ToArray(), [], [.. TestSound.Wav()[..36], .. "data"u8, 0, 0, 0, 0])));

    public static readonly Gen<string> Tables = Gen.OneOf(
        Gen.Select(
            Gen.OneOfConst("one", "two", "quay", "hill", "nothing"),
            Gen.OneOfConst(",,", "0,600,", "0,600,-3.5", "0,99999,", "600,0,", "5,,", "0,-1,", "a,b,", "0,600,loud", "0,1e2,", ",,+1"))
            .Select((name, row) => $"{name},{row}\n")
            .List[0, 4]
            .Select(rows => "name,loop_from,loop_to,gain_db\n" + string.Concat(rows)),
        Gen.OneOfConst("name,loop_from,loop_to\none,,\n", "", "gain_db,name,loop_to,loop_from\n,one,,\n"));

    private static byte[] Changed(byte[] wav, int at, byte value)
    {
        wav[at] = value;
        return wav;
    }
}
