using System.Buffers.Binary;
using Concentus;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Ogg;

/// <summary>Reads Opus in Ogg: as hosts do, and its samples.</summary>
/// <remarks>RFC 3533 (pages), RFC 7845 (Opus in Ogg). Opus always plays at 48000 Hz.</remarks>
public static class OpusReader
{
    /// <summary>The rate at which Opus always plays. Hz.</summary>
    public const int Rate = 48_000;

    // 120 ms, the longest packet.
    private const int MostFrames = 5760;

    // Of longer ones only the header is read. Seconds.
    private const int MostMeasured = 300;

    /// <summary>The facts of a file: whole pages with right checksums, of which the first says that it is Opus, mono or stereo.</summary>
    public static SoundFacts Inspect(ReadOnlySpan<byte> file)
    {
        if (!file.StartsWith("OggS"u8)) return Refuse("it is no Ogg file");
        var (channels, skip, last, pages) = (0, 0, -1L, 0);
        for (var at = 0; at < file.Length; pages++)
        {
            if (OggPages.LengthOf(file[at..]) is not { } length) return Refuse("one of its pages is cut or damaged");
            var page = file.Slice(at, length);
            if (pages == 0)
            {
                var head = page[(OggPages.Header + page[26])..];
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
            : new SoundFacts(
                null,
                new SoundHeader(Rate, channels, (int)Math.Min(frames, int.MaxValue)),
                frames <= MostMeasured * Rate && Read(file) is { } sound ? SoundMeasure.Of(sound) : null);
    }

    /// <summary>True where the first page says that the stream is Opus.</summary>
    public static bool IsOpus(ReadOnlySpan<byte> file) =>
        file.Length > OggPages.Header && file[Math.Min(file.Length, OggPages.Header + file[26])..].StartsWith("OpusHead"u8);

    /// <summary>The samples of a file, without what its header says to skip; null where they cannot be decoded.</summary>
    public static Sound? Read(ReadOnlySpan<byte> file)
    {
        if (OggPages.PacketsIn(file) is not [[.. var head], _, ..] packets || head.Length < 19 || head[9] is not (1 or 2)) return null;
        var (channels, skip) = ((int)head[9], (int)BinaryPrimitives.ReadUInt16LittleEndian(head.AsSpan(10)));
        var gain = (float)Decibels.ToFactor(BinaryPrimitives.ReadInt16LittleEndian(head.AsSpan(16)) / 256.0);
        var end = LastPosition(file);
        if (end > SoundFormat.MostSamples / channels) return null;
        var at = 2;
        var sound = SampleStream.Read(
            () => OpusCodecFactory.CreateDecoder(Rate, channels),
            _ => (Rate, channels),
            (decoder, into) => at >= packets.Count ? 0 : decoder.Decode(packets[at++], into, MostFrames) * channels);
        var last = (int)Math.Min(end, sound?.Frames ?? 0);
        return sound is null || last <= skip ? null : sound.Cut(skip, last).Map(samples => [.. samples.Select(s => s * gain)]);
    }

    private static long LastPosition(ReadOnlySpan<byte> file)
    {
        var last = 0L;
        for (var at = 0; at < file.Length && OggPages.LengthOf(file[at..]) is { } length; at += length)
            last = Math.Max(last, BinaryPrimitives.ReadInt64LittleEndian(file[(at + 6)..]));
        return last;
    }

    private static SoundFacts Refuse(string problem) => new(problem, null, null);
}
