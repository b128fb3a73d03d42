using ImageMagick;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Dds;

/// <summary>Writes DDS pictures without mip levels: BC1 where every pixel is solid, else BC3.</summary>
public static class DdsWriter
{
    /// <summary>Encodes a picture, whose sides should be multiples of 4.</summary>
    public static byte[] Write(RgbaPicture picture)
    {
        var settings = new PixelReadSettings((uint)picture.Size.Width, (uint)picture.Size.Height, StorageType.Char, PixelMapping.RGBA);
        using var image = new MagickImage(picture.Rgba, settings);
        image.Settings.SetDefine(MagickFormat.Dds, "mipmaps", "0");
        image.Settings.SetDefine(MagickFormat.Dds, "compression", picture.IsOpaque ? "dxt1" : "dxt5");
        return image.ToByteArray(MagickFormat.Dds);
    }
}
