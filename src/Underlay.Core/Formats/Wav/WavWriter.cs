using System.Buffers.Binary;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Wav;

/// <summary>Writes WAV files of 16-bit PCM.</summary>
public static class WavWriter
{
    private const int HeaderBytes = 44;

    /// <summary>The sound as a file; samples beyond full scale are held at it. The same sound gives the same bytes.</summary>
    public static byte[] Write(Sound sound)
    {
        var frame = sound.Channels.Count * 2;
        var file = new byte[HeaderBytes + (sound.Frames * frame)];
        var span = file.AsSpan();
        "RIFF"u8.CopyTo(span);
        BinaryPrimitives.WriteInt32LittleEndian(span[4..], file.Length - 8);
        "WAVEfmt "u8.CopyTo(span[8..]);
        BinaryPrimitives.WriteInt32LittleEndian(span[16..], 16);
        BinaryPrimitives.WriteInt16LittleEndian(span[20..], 1);
        BinaryPrimitives.WriteInt16LittleEndian(span[22..], (short)sound.Channels.Count);
        BinaryPrimitives.WriteInt32LittleEndian(span[24..], sound.Rate);
        BinaryPrimitives.WriteInt32LittleEndian(span[28..], sound.Rate * frame);
        BinaryPrimitives.WriteInt16LittleEndian(span[32..], (short)frame);
        BinaryPrimitives.WriteInt16LittleEndian(span[34..], 16);
        "data"u8.CopyTo(span[36..]);
        BinaryPrimitives.WriteInt32LittleEndian(span[40..], file.Length - HeaderBytes);
        var at = HeaderBytes;
        for (var i = 0; i < sound.Frames; i++)
            foreach (var channel in sound.Channels)
            {
                var value = Math.Clamp(Math.Round(channel[i] * 32768.0), short.MinValue, short.MaxValue);
                BinaryPrimitives.WriteInt16LittleEndian(span[at..], (short)value);
                at += 2;
            }

        return file;
    }
}
