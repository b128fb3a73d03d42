using Underlay.Core.Images;

namespace Underlay.Core.Formats;

/// <summary>
/// Reads the pictures that authors have, in any format of <see cref="FileFormats.Pictures"/>. Colours under clear alpha are kept.
/// The header is judged before a pixel is decoded.
/// </summary>
public static class SourceReader
{
    /// <summary>The most pixels on a side of a source.</summary>
    public const int MaxSide = 8192;

    private static readonly string Known = string.Join(", ", FileFormats.Pictures.SkipLast(1).Select(f => f.Name))
        + $" or {FileFormats.Pictures[^1].Name}";

    /// <summary>The format that the bytes begin as, or null when it is none that is read.</summary>
    public static PictureFormat? FormatOf(ReadOnlyMemory<byte> bytes) => FileFormats.OfHead(bytes.Span) as PictureFormat;

    /// <summary>Size and depth, without decoding pixels; null when the bytes are no picture that is read.</summary>
    public static PictureSummary? Describe(ReadOnlyMemory<byte> bytes) => FormatOf(bytes)?.Describe(bytes);

    /// <summary>The picture as a PNG that hosts read, or why it cannot be one. A PNG that hosts read stays as it is.</summary>
    public static (byte[]? Png, string? Problem) ToPng(byte[] bytes)
    {
        if (FileFormats.Png.Inspect(bytes, PixelNeed.None).IsReadable) return (bytes, null);
        var (picture, problem) = Read(bytes);
        if (picture is null) return (null, problem);
        return picture.Size is { Width: <= PackPictureFormat.MaxSide, Height: <= PackPictureFormat.MaxSide }
            ? (FileFormats.Png.Encode(picture), null)
            : (null, $"it is {picture.Size}; a side may have at most {PackPictureFormat.MaxSide} pixels");
    }

    /// <summary>
    /// What becomes of a picture when it is made a PNG that hosts read: "a TGA that becomes a PNG"; empty for one that stays as it
    /// is.
    /// </summary>
    public static string ConversionOf(ReadOnlyMemory<byte> bytes) =>
        Describe(bytes) is { } picture ? picture.Format.ConversionOf(picture) : "";

    /// <summary>Decodes a picture, or says why it cannot be read, as the end of a sentence.</summary>
    public static (RgbaPicture? Picture, string? Problem) Read(ReadOnlyMemory<byte> bytes) =>
        FormatOf(bytes) is { } format ? format.Decode(bytes) : (null, $"it is no {Known} picture");
}
