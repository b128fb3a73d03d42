using ImageMagick;

namespace Underlay.Core.Images;

/// <summary>
/// Reads the pictures that authors have: PNG of every colour type and depth, BMP, TGA, WebP, JPEG, GIF (its first frame) and DDS.
/// Colours under clear alpha are kept. The header is judged before a pixel is decoded.
/// </summary>
public static class SourceReader
{
    /// <summary>The most pixels on a side of a source.</summary>
    public const int MaxSide = 8192;

    private static readonly (MagickFormat Format, string Name, Func<ReadOnlyMemory<byte>, bool> Begins)[] Formats =
    [
        (MagickFormat.Png, "PNG", b => PngReader.IsPng(b.Span)),
        (MagickFormat.Dds, "DDS", b => DdsReader.IsDds(b.Span)),
        (MagickFormat.Bmp, "BMP", b => b.Span.StartsWith("BM"u8)),
        (MagickFormat.Jpeg, "JPEG", b => b.Span.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xD8, 0xFF])),
        (MagickFormat.Gif, "GIF", b => b.Span.StartsWith("GIF87a"u8) || b.Span.StartsWith("GIF89a"u8)),
        (MagickFormat.WebP, "WebP", b => b.Length > 12 && b.Span.StartsWith("RIFF"u8) && b.Span[8..].StartsWith("WEBP"u8)),
        (MagickFormat.Tga, "TGA", IsTga),
    ];

    static SourceReader()
    {
        // One budget for the process: what asks for more is refused, not swapped to disk.
        ResourceLimits.Width = MaxSide;
        ResourceLimits.Height = MaxSide;
        ResourceLimits.Memory = 2UL * 1024 * 1024 * 1024;
        ResourceLimits.Disk = 0;
        ResourceLimits.Thread = 1;
    }

    /// <summary>The name of the format that the bytes begin as, or null when it is none that is read.</summary>
    public static string? FormatOf(ReadOnlyMemory<byte> bytes) => Find(bytes)?.Name;

    /// <summary>Size and depth, without decoding pixels; null when the bytes are no picture that is read.</summary>
    public static (PixelSize Size, string Format, int Bits)? Describe(ReadOnlyMemory<byte> bytes)
    {
        if (Find(bytes) is not { } format) return null;
        if (format.Format == MagickFormat.Png && PngReader.Inspect(bytes, PixelNeed.None) is { IsReadable: true, Header: { } header })
            return (header.Size, format.Name, 8);
        try
        {
            var info = new MagickImageInfo(bytes.ToArray(), new MagickReadSettings { Format = format.Format });
            if (info.Width == 0 || info.Height == 0) return null;
            return (
                new PixelSize((int)info.Width, (int)info.Height),
                format.Name,
                format.Format == MagickFormat.Png && bytes.Length > 24 ? bytes.Span[24] : 8);
        }
        catch (MagickException)
        {
            return null;
        }
    }

    /// <summary>The picture as a PNG that hosts read, or why it cannot be one. A PNG that hosts read stays as it is.</summary>
    public static (byte[]? Png, string? Problem) ToPng(byte[] bytes)
    {
        if (PngReader.Inspect(bytes, PixelNeed.None).IsReadable) return (bytes, null);
        var (picture, problem) = Read(bytes);
        if (picture is null) return (null, problem);
        return picture.Size is { Width: <= PngReader.MaxSide, Height: <= PngReader.MaxSide }
            ? (PngWriter.Write(picture), null)
            : (null, $"it is {picture.Size}; a side may have at most {PngReader.MaxSide} pixels");
    }

    /// <summary>
    /// What becomes of a picture when it is made a PNG that hosts read: "a TGA that becomes a PNG"; empty for one that stays as it
    /// is.
    /// </summary>
    public static string ConversionOf(ReadOnlyMemory<byte> bytes) => Describe(bytes) switch
    {
        null or { Format: "PNG", Bits: 8 } or { Format: "DDS" } => "",
        { Format: "PNG", Bits: 16 } => "16 bits a channel that are rounded to 8",
        { Format: "PNG", Bits: var bits } => $"{bits} bits a channel that become 8",
        { Format: var format } => $"a {format} that becomes a PNG",
    };

    /// <summary>Decodes a picture, or says why it cannot be read, as the end of a sentence.</summary>
    public static (RgbaPicture? Picture, string? Problem) Read(ReadOnlyMemory<byte> bytes)
    {
        if (Find(bytes) is not { } format) return (null, "it is no PNG, BMP, TGA, WebP, JPEG, GIF or DDS picture");
        if (format.Format == MagickFormat.Png && PngReader.Decode(bytes, takesDeep: true) is { Rgba: { } rgba, Size: var exact })
            return (new RgbaPicture(exact, rgba), null);
        if (Describe(bytes) is not { } described) return (null, $"its {format.Name} header cannot be read");
        if (described.Size.Width > MaxSide || described.Size.Height > MaxSide)
            return (null, $"it is {described.Size}; a side may have at most {MaxSide} pixels");
        try
        {
            using var image = new MagickImage(
                bytes.Span,
                new MagickReadSettings { Format = format.Format, FrameIndex = 0, FrameCount = 1 });
            // What the header promised may come to nothing.
            if (image.Width == 0 || image.Height == 0) return (null, $"its {format.Name} data holds no pixels");
            if (image.ColorSpace is ColorSpace.CMYK) image.ColorSpace = ColorSpace.sRGB;
            using var pixels = image.GetPixelsUnsafe();
            return (new RgbaPicture(new PixelSize((int)image.Width, (int)image.Height), pixels.ToByteArray(PixelMapping.RGBA)!), null);
        }
        catch (MagickException problem)
        {
            return (null, $"its {format.Name} data is damaged ({problem.Message.Split('@')[0].Trim()})");
        }
    }

    private static (MagickFormat Format, string Name)? Find(ReadOnlyMemory<byte> bytes)
    {
        foreach (var (format, name, begins) in Formats)
            if (begins(bytes)) return (format, name);
        return null;
    }

    /// <summary>TGA has no signature: a header in which every field has a value that the format knows.</summary>
    private static bool IsTga(ReadOnlyMemory<byte> bytes)
    {
        var b = bytes.Span;
        return b.Length > 18
            && b[1] <= 1
            && b[2] is 1 or 2 or 3 or 9 or 10 or 11
            && b[16] is 8 or 15 or 16 or 24 or 32
            && (b[12] | (b[13] << 8)) is > 0 and <= MaxSide
            && (b[14] | (b[15] << 8)) is > 0 and <= MaxSide
            && (b[17] & 0xC0) == 0
            && (b[1] == 1) == (b[2] is 1 or 9);
    }
}
