using System.Buffers.Binary;
using Underlay.Core.Sounds;

namespace Underlay.Testing;

/// <summary>AIFF files of 16 bits, high byte first, with the rate as the extended floating point that the format wants.</summary>
public static class TestAiff
{
    /// <summary>A sound as a file.</summary>
    public static byte[] Of(Sound sound)
    {
        var data = new byte[sound.Frames * sound.Channels.Count * 2];
        for (var i = 0; i < sound.Frames; i++)
            for (var c = 0; c < sound.Channels.Count; c++)
                BinaryPrimitives.WriteInt16BigEndian(
                    data.AsSpan(((i * sound.Channels.Count) + c) * 2),
                    (short)Math.Round(sound.Channels[c][i] * 32768));
        byte[] rate = [0x40, 0x0E, .. Big((uint)sound.Rate << 16), 0, 0, 0, 0];
        byte[] common = [.. "COMM"u8, .. Big(18), 0, (byte)sound.Channels.Count, .. Big((uint)sound.Frames), 0, 16, .. rate];
        byte[] samples = [.. "SSND"u8, .. Big((uint)data.Length + 8), 0, 0, 0, 0, 0, 0, 0, 0, .. data];
        return [.. "FORM"u8, .. Big((uint)(4 + common.Length + samples.Length)), .. "AIFF"u8, .. common, .. samples];
    }

    private static byte[] Big(uint value) => [(byte)(value >> 24), (byte)(value >> 16), (byte)(value >> 8), (byte)value];
}
