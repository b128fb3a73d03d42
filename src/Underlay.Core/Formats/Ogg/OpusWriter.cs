using System.Buffers.Binary;
using Concentus;
using Concentus.Enums;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Ogg;

/// <summary>Writes Opus in Ogg: packets of 20 ms, a page a second, the same bytes for the same sound each time.</summary>
/// <remarks>RFC 7845.</remarks>
public static class OpusWriter
{
    private const int Frame = 960;
    private const int PacketsAPage = 50;

    // What the encoder puts in front. Frames of 48000 Hz.
    private const int Skip = 312;
    private const uint Serial = 0x554E444C;

    // Above this little is gained for one channel. Bits a second.
    private const int BitsAChannel = 96_000;

    /// <summary>The file.</summary>
    /// <param name="sound">One or two channels, of any rate.</param>
    public static byte[] Write(Sound sound)
    {
        var played = SoundResampler.To(sound, OpusReader.Rate);
        var channels = played.Channels.Count;
        using var encoder = OpusCodecFactory.CreateEncoder(OpusReader.Rate, channels, OpusApplication.OPUS_APPLICATION_AUDIO);
        encoder.Bitrate = BitsAChannel * channels;
        using var file = new MemoryStream();
        OggPages.Write(file, 2, 0, Serial, 0, [Head(channels)]);
        OggPages.Write(file, 0, 0, Serial, 1, [Tags()]);
        var end = (long)played.Frames + Skip;
        var (page, sequence) = (new List<byte[]>(), 2u);
        var (samples, packet) = (new float[Frame * channels], new byte[4000]);
        for (var at = 0L; at < end; at += Frame)
        {
            for (var i = 0; i < Frame; i++)
                for (var c = 0; c < channels; c++)
                    samples[(i * channels) + c] = at + i < played.Frames ? played.Channels[c][at + i] : 0;
            page.Add(packet[..encoder.Encode(samples, Frame, packet, packet.Length)]);
            var isLast = at + Frame >= end;
            if (!isLast && page.Count < PacketsAPage && page.Sum(OggPages.SegmentsOf) < 240) continue;
            OggPages.Write(file, (byte)(isLast ? 4 : 0), isLast ? end : at + Frame, Serial, sequence++, page);
            page.Clear();
        }

        return file.ToArray();
    }

    private static byte[] Head(int channels)
    {
        var head = new byte[19];
        "OpusHead"u8.CopyTo(head);
        (head[8], head[9]) = (1, (byte)channels);
        BinaryPrimitives.WriteUInt16LittleEndian(head.AsSpan(10), Skip);
        BinaryPrimitives.WriteUInt32LittleEndian(head.AsSpan(12), OpusReader.Rate);
        return head;
    }

    private static byte[] Tags() => [.. "OpusTags"u8, 8, 0, 0, 0, .. "Underlay"u8, 0, 0, 0, 0];
}
