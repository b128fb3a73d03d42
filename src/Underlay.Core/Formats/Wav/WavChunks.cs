using System.Buffers.Binary;

namespace Underlay.Core.Formats.Wav;

/// <summary>What a WAV file says of its samples, and where they lie.</summary>
/// <param name="Tag">1 is PCM, 3 is floating point; of an extensible format, the one that it extends.</param>
/// <param name="IsExtensible">True where the format is told by an identifier.</param>
/// <param name="Channels">Channels.</param>
/// <param name="Rate">Frames a second, Hz.</param>
/// <param name="Bits">Bits a sample.</param>
/// <param name="Data">The samples.</param>
/// <param name="IsCut">True where the file ends before its samples do.</param>
internal sealed record WavChunks(int Tag, bool IsExtensible, int Channels, int Rate, int Bits, Range Data, bool IsCut)
{
    private const int Extensible = 0xFFFE;

    /// <summary>Bytes a frame.</summary>
    public int Frame => Channels * Bits / 8;

    /// <summary>Walks over the chunks.</summary>
    /// <returns>What they say, or what is wrong as the end of a sentence.</returns>
    public static (WavChunks? Chunks, string? Problem) Read(ReadOnlySpan<byte> file)
    {
        if (!FileFormats.Wav.Begins(file[..Math.Min(file.Length, FileFormat.HeadBytes)])) return (null, "it is no WAV file");
        WavChunks? format = null;
        for (var at = 12L; at + 8 <= file.Length;)
        {
            var chunk = file[(int)at..];
            var size = BinaryPrimitives.ReadUInt32LittleEndian(chunk[4..]);
            var there = (int)Math.Min(size, chunk.Length - 8);
            if (chunk.StartsWith("fmt "u8) && format is null)
            {
                if (there < size || size < 16) return (null, "its header is cut");
                format = ReadFormat(chunk.Slice(8, there));
            }
            else if (chunk.StartsWith("data"u8))
            {
                if (format is null) return (null, "its samples come before its header");
                return (format with { Data = ((int)at + 8)..((int)at + 8 + there), IsCut = there < size }, null);
            }

            at += 8L + size + (size & 1);
        }

        return (null, "it has no samples");
    }

    private static WavChunks ReadFormat(ReadOnlySpan<byte> body)
    {
        int Short(ReadOnlySpan<byte> from, int at) => BinaryPrimitives.ReadUInt16LittleEndian(from[at..]);
        var tag = Short(body, 0);
        var rate = BinaryPrimitives.ReadUInt32LittleEndian(body[4..]);
        return new WavChunks(
            tag == Extensible && body.Length >= 26 ? Short(body, 24) : tag,
            tag == Extensible,
            Short(body, 2),
            (int)Math.Min(rate, int.MaxValue),
            Short(body, 14),
            default,
            IsCut: false);
    }
}
