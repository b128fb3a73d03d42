using ImageMagick;
using Underlay.Core.Images;

namespace Underlay.Core.Formats;

/// <summary>Reads pictures with the general library: first the header, then, where its sides are allowed, the pixels.</summary>
internal static class MagickReader
{
    static MagickReader()
    {
        // One budget for the process: what asks for more is refused, not swapped to disk.
        ResourceLimits.Width = SourceReader.MaxSide;
        ResourceLimits.Height = SourceReader.MaxSide;
        ResourceLimits.Memory = 2UL * 1024 * 1024 * 1024;
        ResourceLimits.Disk = 0;
        ResourceLimits.Thread = 1;
    }

    /// <summary>The size that the header says; null when it cannot be read.</summary>
    public static PixelSize? SizeOf(ReadOnlyMemory<byte> bytes, MagickFormat format)
    {
        try
        {
            var info = new MagickImageInfo(bytes.ToArray(), new MagickReadSettings { Format = format });
            return info.Width == 0 || info.Height == 0 ? null : new PixelSize((int)info.Width, (int)info.Height);
        }
        catch (MagickException)
        {
            return null;
        }
    }

    /// <summary>Decodes the first frame, or says why it cannot be read.</summary>
    public static (RgbaPicture? Picture, string? Problem) Decode(ReadOnlyMemory<byte> bytes, MagickFormat format, string name)
    {
        if (SizeOf(bytes, format) is not { } size) return (null, $"its {name} header cannot be read");
        if (size.Width > SourceReader.MaxSide || size.Height > SourceReader.MaxSide)
            return (null, $"it is {size}; a side may have at most {SourceReader.MaxSide} pixels");
        try
        {
            using var image = new MagickImage(
                bytes.Span,
                new MagickReadSettings { Format = format, FrameIndex = 0, FrameCount = 1 });
            // What the header promised may come to nothing.
            if (image.Width == 0 || image.Height == 0) return (null, $"its {name} data holds no pixels");
            if (image.ColorSpace is ColorSpace.CMYK) image.ColorSpace = ColorSpace.sRGB;
            using var pixels = image.GetPixelsUnsafe();
            return (new RgbaPicture(new PixelSize((int)image.Width, (int)image.Height), pixels.ToByteArray(PixelMapping.RGBA)!), null);
        }
        catch (MagickException problem)
        {
            return (null, $"its {name} data is damaged ({problem.Message.Split('@')[0].Trim()})");
        }
    }
}
