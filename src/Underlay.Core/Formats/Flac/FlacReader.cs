using System.Buffers.Binary;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Flac;

/// <summary>Reads FLAC: native streams of 4 to 32 bits, one to eight channels.</summary>
/// <remarks>RFC 9639. Checksums of frames are verified, the MD5 of the whole is not.</remarks>
public static class FlacReader
{
    private const int MostBlock = 65_536;

    /// <summary>The samples of a file; null where it cannot be read whole.</summary>
    public static Sound? Read(ReadOnlySpan<byte> file)
    {
        if (!file.StartsWith("fLaC"u8) || StreamOf(file) is not { } stream) return null;
        var channels = new List<float>[stream.Channels];
        for (var c = 0; c < channels.Length; c++) channels[c] = [];
        var block = new long[stream.Channels][];
        for (var c = 0; c < block.Length; c++) block[c] = new long[MostBlock];
        var scale = 1f / (1L << (stream.Bits - 1));
        for (var at = stream.Start; at < file.Length;)
        {
            if (FlacFrame.Read(file[at..], stream.Channels, stream.Bits, block) is not { } frame) return null;
            if ((channels[0].Count + frame.Samples) * (long)stream.Channels > SoundFormat.MostSamples) return null;
            for (var c = 0; c < channels.Length; c++)
                for (var i = 0; i < frame.Samples; i++) channels[c].Add(block[c][i] * scale);
            at += frame.Length;
        }

        return channels[0].Count == 0 ? null : new Sound(stream.Rate, [.. channels.Select(c => c.ToArray())]);
    }

    /// <summary>What the first block of metadata says, and where the frames begin (section 8).</summary>
    private static (int Rate, int Channels, int Bits, int Start)? StreamOf(ReadOnlySpan<byte> file)
    {
        (int Rate, int Channels, int Bits)? found = null;
        for (var at = 4; at + 4 <= file.Length;)
        {
            var (isLast, type) = ((file[at] & 0x80) != 0, file[at] & 0x7F);
            var length = (file[at + 1] << 16) | (file[at + 2] << 8) | file[at + 3];
            var body = file[(at + 4)..];
            if (length > body.Length) return null;
            if (type == 0 && length >= 34)
            {
                var bits = BinaryPrimitives.ReadUInt64BigEndian(body[10..]);
                found = ((int)(bits >> 44), (int)((bits >> 41) & 7) + 1, (int)((bits >> 36) & 31) + 1);
            }

            at += 4 + length;
            if (isLast) return found is { Rate: > 0, Bits: >= 4 } sound ? (sound.Rate, sound.Channels, sound.Bits, at) : null;
        }

        return null;
    }
}
