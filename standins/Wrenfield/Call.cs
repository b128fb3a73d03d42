using System.Text;

namespace Wrenfield;

/// <summary>A call as the viewer reads it: how long it is, where it can be played.</summary>
internal static class Call
{
    /// <summary>The seconds of a WAV of 16-bit PCM at 48000 Hz, mono or stereo; null for any other file.</summary>
    public static double? SecondsOfWave(byte[] file)
    {
        if (file.Length < 12 || Word(file, 0) != "RIFF" || Word(file, 8) != "WAVE") return null;
        var (channels, isHeard) = (0, false);
        for (long at = 12; at + 8 <= file.Length;)
        {
            long size = BitConverter.ToUInt32(file, (int)at + 4);
            var name = Word(file, (int)at);
            if (at + 8 + size > file.Length) return null;
            if (name == "data")
                return isHeard && size > 0 && size % (2 * channels) == 0 ? size / (2.0 * channels) / 48_000 : null;
            if (name == "fmt " && channels == 0)
            {
                if (size < 16) return null;
                var start = (int)at + 8;
                channels = BitConverter.ToUInt16(file, start + 2);
                if (channels == 0) return null;
                isHeard = BitConverter.ToUInt16(file, start) == 1
                    && channels <= 2
                    && BitConverter.ToUInt32(file, start + 4) == 48_000
                    && BitConverter.ToUInt16(file, start + 14) == 16;
            }

            at += 8 + size + (size % 2);
        }

        return null;
    }

    /// <summary>The seconds of Opus in Ogg, mono or stereo; null for any other file.</summary>
    public static double? SecondsOfOpus(byte[] file)
    {
        var (pages, skip, end) = (0, 0, -1L);
        for (var at = 0; at < file.Length; pages++)
        {
            if (at + 27 > file.Length || Word(file, at) != "OggS" || file[at + 4] != 0 || at + 27 + file[at + 26] > file.Length)
                return null;
            var length = 27 + file[at + 26] + file.Skip(at + 27).Take(file[at + 26]).Sum(b => b);
            if (at + length > file.Length || Checksum(file, at, length) != BitConverter.ToUInt32(file, at + 22)) return null;
            if (pages == 0)
            {
                var head = at + 27 + file[at + 26];
                if (length - 27 - file[at + 26] < 19 || Word(file, head) + Word(file, head + 4) != "OpusHead") return null;
                if (file[head + 8] > 15 || file[head + 9] is not (1 or 2)) return null;
                skip = BitConverter.ToUInt16(file, head + 10);
            }

            end = Math.Max(end, BitConverter.ToInt64(file, at + 6));
            at += length;
        }

        return pages >= 3 && end > skip ? (end - skip) / 48_000.0 : null;
    }

    /// <summary>Bit by bit, the polynomial 0x04C11DB7 from the highest; the page's own four bytes count as nothing.</summary>
    private static uint Checksum(byte[] file, int at, int length)
    {
        var sum = 0u;
        for (var i = 0; i < length; i++)
        {
            sum ^= (uint)(i is >= 22 and <= 25 ? 0 : file[at + i]) << 24;
            for (var bit = 0; bit < 8; bit++) sum = (sum & 0x80000000) != 0 ? (sum << 1) ^ 0x04C11DB7 : sum << 1;
        }

        return sum;
    }

    private static string Word(byte[] file, int at) => Encoding.Latin1.GetString(file, at, 4);
}
