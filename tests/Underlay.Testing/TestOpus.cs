using System.Text;

namespace Underlay.Testing;

/// <summary>Opus in Ogg as far as its header and length go: three pages, the last with a position.</summary>
public static class TestOpus
{
    /// <summary>A file.</summary>
    /// <param name="seconds">How long it says that it is.</param>
    /// <param name="channels">Channels.</param>
    public static byte[] Of(double seconds, byte channels = 1)
    {
        byte[] head = [.. "OpusHead"u8, 1, channels, 0x38, 1, 0x80, 0xBB, 0, 0, 0, 0, 0];
        byte[] tags = [.. "OpusTags"u8, 4, 0, 0, 0, .. Encoding.ASCII.GetBytes("test"), 0, 0, 0, 0];
        return [.. Page(head, 0, 0, 2), .. Page(tags, 0, 1, 0), .. Page(new byte[40], (long)(seconds * 48_000) + 312, 2, 4)];
    }

    private static byte[] Page(byte[] packet, long position, int number, byte flags)
    {
        byte[] page =
        [
            .. "OggS"u8, 0, flags, .. BitConverter.GetBytes(position), 7, 0, 0, 0, .. BitConverter.GetBytes(number), 0, 0, 0, 0, 1,
            (byte)packet.Length, .. packet,
        ];
        Sign(page);
        return page;
    }

    /// <summary>Gives a page its checksum.</summary>
    public static void Sign(Span<byte> page)
    {
        page.Slice(22, 4).Clear();
        var sum = 0u;
        foreach (var value in page)
        {
            sum ^= (uint)value << 24;
            for (var bit = 0; bit < 8; bit++) sum = (sum & 0x80000000) != 0 ? (sum << 1) ^ 0x04C11DB7 : sum << 1;
        }

        BitConverter.TryWriteBytes(page[22..], sum);
    }
}
