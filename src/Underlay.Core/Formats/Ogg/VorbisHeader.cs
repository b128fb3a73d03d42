using System.Buffers.Binary;

namespace Underlay.Core.Formats.Ogg;

/// <summary>
/// Looks at the headers of Vorbis before they are decoded: remarks that say they are longer than their packet would be given memory for
/// what they say.
/// </summary>
/// <remarks>Vorbis I specification, section 5 (comment field).</remarks>
internal static class VorbisHeader
{
    // More entries of a codebook need more memory than any encoder gives them.
    private const int MostHeaderBytes = 1 << 18;

    /// <summary>True where whole pages hold the three headers of Vorbis and the remarks fit into theirs.</summary>
    public static bool IsSound(ReadOnlySpan<byte> file) =>
        OggPages.PacketsIn(file) is [var first, var remarks, var setup, ..]
        && first.AsSpan().StartsWith("\u0001vorbis"u8)
        && remarks.AsSpan().StartsWith("\u0003vorbis"u8)
        && setup.AsSpan().StartsWith("\u0005vorbis"u8)
        && setup.Length <= MostHeaderBytes
        && Fits(remarks.AsSpan(7));

    private static bool Fits(ReadOnlySpan<byte> remarks)
    {
        if (!Skip(ref remarks) || remarks.Length < 4) return false;
        var count = BinaryPrimitives.ReadUInt32LittleEndian(remarks);
        remarks = remarks[4..];
        for (; count > 0; count--)
            if (!Skip(ref remarks)) return false;
        return true;
    }

    /// <summary>Passes over a length and as many bytes.</summary>
    private static bool Skip(ref ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length < 4 || BinaryPrimitives.ReadUInt32LittleEndian(bytes) is var length && length > bytes.Length - 4) return false;
        bytes = bytes[(4 + (int)length)..];
        return true;
    }
}
