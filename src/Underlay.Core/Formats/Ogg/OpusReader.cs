using System.Buffers.Binary;

namespace Underlay.Core.Formats.Ogg;

/// <summary>Reads the header and the length of Opus in Ogg; its samples are not decoded.</summary>
/// <remarks>RFC 3533 (pages), RFC 7845 (Opus in Ogg). Opus always plays at 48000 Hz.</remarks>
public static class OpusReader
{
    private const int Rate = 48_000;
    private const int PageHeader = 27;

    private static readonly uint[] Crc = MakeTable();

    /// <summary>The facts of a file: whole pages with right checksums, of which the first says that it is Opus, mono or stereo.</summary>
    public static SoundFacts Inspect(ReadOnlySpan<byte> file)
    {
        if (!file.StartsWith("OggS"u8)) return Refuse("it is no Ogg file");
        var (channels, skip, last, pages) = (0, 0, -1L, 0);
        for (var at = 0; at < file.Length; pages++)
        {
            if (PageAt(file[at..]) is not { } length) return Refuse("one of its pages is cut or damaged");
            var page = file.Slice(at, length);
            if (pages == 0)
            {
                var head = page[(PageHeader + page[26])..];
                if (head.Length < 19 || !head.StartsWith("OpusHead"u8) || head[8] > 15) return Refuse("it is not Opus");
                (channels, skip) = (head[9], BinaryPrimitives.ReadUInt16LittleEndian(head[10..]));
                if (channels is not (1 or 2)) return Refuse(FormattableString.Invariant($"it has {channels} channels"));
            }

            var position = BinaryPrimitives.ReadInt64LittleEndian(page[6..]);
            if (position > last) last = position;
            at += length;
        }

        var frames = last - skip;
        return pages < 3 || frames <= 0
            ? Refuse("it has no samples")
            : new SoundFacts(null, new SoundHeader(Rate, channels, (int)Math.Min(frames, int.MaxValue)), null);
    }

    /// <summary>The length of the page at the start, with a right checksum; null where there is none.</summary>
    private static int? PageAt(ReadOnlySpan<byte> file)
    {
        if (file.Length < PageHeader || !file.StartsWith("OggS"u8) || file[4] != 0) return null;
        var length = PageHeader + file[26];
        if (file.Length < length) return null;
        foreach (var lacing in file.Slice(PageHeader, file[26])) length += lacing;
        if (file.Length < length) return null;
        var crc = 0u;
        for (var i = 0; i < length; i++) crc = (crc << 8) ^ Crc[(crc >> 24) ^ (i is >= 22 and < 26 ? 0 : file[i])];
        return crc == BinaryPrimitives.ReadUInt32LittleEndian(file[22..]) ? length : null;
    }

    private static SoundFacts Refuse(string problem) => new(problem, null, null);

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
