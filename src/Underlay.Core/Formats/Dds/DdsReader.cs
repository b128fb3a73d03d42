using System.Buffers.Binary;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Dds;

/// <summary>Reads the header of DDS pictures as hosts do: BC1 or BC3, no mip levels.</summary>
/// <remarks>DirectDraw Surface, "DDS_HEADER" and "DDS_PIXELFORMAT": 128 bytes of header, then blocks of 4 x 4 pixels.</remarks>
public static class DdsReader
{
    private const int HeaderBytes = 128;
    private const uint HasFourCharacterCode = 0x4;

    private static ReadOnlySpan<byte> Magic => "DDS "u8;

    /// <summary>True when the bytes begin as a DDS does.</summary>
    public static bool IsDds(ReadOnlySpan<byte> bytes) => bytes.StartsWith(Magic);

    /// <summary>Checks the header and that all blocks are there, and takes pixel facts where they are asked for.</summary>
    public static PictureFacts Inspect(ReadOnlyMemory<byte> file, PixelNeed need)
    {
        var (header, problem) = ReadHeader(file.Span);
        if (problem is not null || need == PixelNeed.None) return new PictureFacts(problem, header, null);
        var (picture, unread) = SourceReader.Read(file);
        return picture is null
            ? new PictureFacts(unread, header, null)
            : new PictureFacts(null, header, PixelMeasure.Take(picture.Rgba, picture.Size, need));
    }

    private static (PictureHeader? Header, string? Problem) ReadHeader(ReadOnlySpan<byte> file)
    {
        if (!IsDds(file)) return (null, "it is no DDS file");
        if (file.Length < HeaderBytes) return (null, "it ends in the middle of its header");
        uint At(ReadOnlySpan<byte> from, int offset) => BinaryPrimitives.ReadUInt32LittleEndian(from[offset..]);
        if (At(file, 4) != 124 || At(file, 76) != 32) return (null, "its header has a wrong length");
        var (height, width, mips) = (At(file, 12), At(file, 16), At(file, 28));
        if (width is 0 or > PackPictureFormat.MaxSide || height is 0 or > PackPictureFormat.MaxSide)
            return (null, $"its sides are {width} x {height}, where 1 to {PackPictureFormat.MaxSide} are wanted");
        if (mips > 1) return (null, $"it has {mips} mip levels, where none are wanted: save it without");
        if (At(file, 112) != 0) return (null, "it is a cube map or a volume, not a picture");
        int? blockBytes = (At(file, 80) & HasFourCharacterCode) == 0 ? null : file.Slice(84, 4) switch
        {
            var code when code.SequenceEqual("DXT1"u8) => 8,
            var code when code.SequenceEqual("DXT5"u8) => 16,
            _ => null,
        };
        if (blockBytes is not { } bytes) return (null, "it is not compressed as BC1 or BC3");
        var wanted = (long)((width + 3) / 4) * ((height + 3) / 4) * bytes;
        var header = new PictureHeader(new PixelSize((int)width, (int)height), PngColour.Rgba, Interlaced: false, HasAlpha: true);
        return file.Length - HeaderBytes < wanted ? (header, "it ends in the middle of its pixels") : (header, null);
    }
}
