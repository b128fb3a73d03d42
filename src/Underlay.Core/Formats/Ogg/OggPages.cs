using System.Buffers.Binary;

namespace Underlay.Core.Formats.Ogg;

/// <summary>Pages of Ogg, read and written.</summary>
/// <remarks>RFC 3533.</remarks>
internal static class OggPages
{
    /// <summary>The length of a page's header without its table of segments.</summary>
    public const int Header = 27;

    private static readonly uint[] Crc = MakeTable();

    /// <summary>The length of the page at the start, with a right checksum; null where there is none.</summary>
    public static int? LengthOf(ReadOnlySpan<byte> file)
    {
        if (file.Length < Header || !file.StartsWith("OggS"u8) || file[4] != 0) return null;
        var length = Header + file[26];
        if (file.Length < length) return null;
        foreach (var lacing in file.Slice(Header, file[26])) length += lacing;
        if (file.Length < length) return null;
        return ChecksumOf(file[..length]) == BinaryPrimitives.ReadUInt32LittleEndian(file[22..]) ? length : null;
    }

    /// <summary>The packets of the first logical stream in order; null where a page is cut or damaged.</summary>
    public static List<byte[]>? PacketsIn(ReadOnlySpan<byte> file)
    {
        var packets = new List<byte[]>();
        var begun = new List<byte>();
        uint? stream = null;
        for (var at = 0; at < file.Length;)
        {
            if (LengthOf(file[at..]) is not { } length) return null;
            var page = file.Slice(at, length);
            var serial = BinaryPrimitives.ReadUInt32LittleEndian(page[14..]);
            stream ??= serial;
            at += length;
            if (serial != stream) continue;
            var body = Header + page[26];
            foreach (var lacing in page.Slice(Header, page[26]))
            {
                begun.AddRange(page.Slice(body, lacing));
                body += lacing;
                if (lacing == 255) continue;
                packets.Add([.. begun]);
                begun.Clear();
            }
        }

        return packets;
    }

    /// <summary>Writes one page.</summary>
    /// <param name="to">What it is written to.</param>
    /// <param name="flags">2 for the first of a stream, 4 for the last.</param>
    /// <param name="position">Frames that are complete with it.</param>
    /// <param name="serial">The stream's number.</param>
    /// <param name="sequence">The page's number in the stream.</param>
    /// <param name="packets">Whole packets, of no more than 255 segments together.</param>
    public static void Write(Stream to, byte flags, long position, uint serial, uint sequence, IReadOnlyList<byte[]> packets)
    {
        var lacing = packets.SelectMany(p => Enumerable.Repeat((byte)255, p.Length / 255).Append((byte)(p.Length % 255))).ToArray();
        var page = new byte[Header + lacing.Length + packets.Sum(p => p.Length)];
        "OggS"u8.CopyTo(page);
        page[5] = flags;
        BinaryPrimitives.WriteInt64LittleEndian(page.AsSpan(6), position);
        BinaryPrimitives.WriteUInt32LittleEndian(page.AsSpan(14), serial);
        BinaryPrimitives.WriteUInt32LittleEndian(page.AsSpan(18), sequence);
        page[26] = (byte)lacing.Length;
        lacing.CopyTo(page, Header);
        var at = Header + lacing.Length;
        foreach (var packet in packets)
        {
            packet.CopyTo(page, at);
            at += packet.Length;
        }

        BinaryPrimitives.WriteUInt32LittleEndian(page.AsSpan(22), ChecksumOf(page));
        to.Write(page);
    }

    /// <summary>How many segments a packet takes.</summary>
    public static int SegmentsOf(byte[] packet) => (packet.Length / 255) + 1;

    /// <summary>CRC-32 with polynomial 0x04C11DB7, the four bytes of the checksum itself taken as 0.</summary>
    private static uint ChecksumOf(ReadOnlySpan<byte> page)
    {
        var crc = 0u;
        for (var i = 0; i < page.Length; i++) crc = (crc << 8) ^ Crc[(crc >> 24) ^ (i is >= 22 and < 26 ? 0 : page[i])];
        return crc;
    }

    private static uint[] MakeTable()
    {
        var table = new uint[256];
        for (var i = 0u; i < 256; i++)
        {
            var crc = i << 24;
            for (var bit = 0; bit < 8; bit++) crc = (crc << 1) ^ ((crc & 0x80000000) != 0 ? 0x04C11DB7u : 0);
            table[i] = crc;
        }

        return table;
    }
}
