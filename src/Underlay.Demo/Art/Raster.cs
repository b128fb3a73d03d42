using SkiaSharp;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Images;
using Underlay.Core.Steps;

namespace Underlay.Demo.Art;

/// <summary>A picture as it is made: one colour a pixel, written as PNG by SkiaSharp without touching colours under clear alpha.</summary>
internal sealed class Raster(int width, int height)
{
    private readonly byte[] rgba = new byte[width * height * 4];

    public int Width => width;

    public int Height => height;

    public static Raster Paint(int width, int height, Func<double, double, Tint> paint)
    {
        var raster = new Raster(width, height);
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++) raster.Set(x, y, paint((x + 0.5) / width, (y + 0.5) / height));
        return raster;
    }

    /// <summary>Paints with several samples a pixel in each direction and averages them, weighted by alpha.</summary>
    public static Raster PaintSmooth(int width, int height, int samples, Func<double, double, Tint> paint)
    {
        var raster = new Raster(width, height);
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
            {
                double r = 0, g = 0, b = 0, a = 0;
                for (var sy = 0; sy < samples; sy++)
                    for (var sx = 0; sx < samples; sx++)
                    {
                        var tint = paint((x + ((sx + 0.5) / samples)) / width, (y + ((sy + 0.5) / samples)) / height);
                        r += tint.R * tint.A;
                        g += tint.G * tint.A;
                        b += tint.B * tint.A;
                        a += tint.A;
                    }

                raster.Set(x, y, a == 0 ? new Tint(0, 0, 0, 0) : new Tint(r / a, g / a, b / a, a / (samples * samples)));
            }

        return raster;
    }

    public Tint Get(int x, int y)
    {
        var at = ((y * width) + x) * 4;
        return new Tint(rgba[at] / 255.0, rgba[at + 1] / 255.0, rgba[at + 2] / 255.0, rgba[at + 3] / 255.0);
    }

    public void Set(int x, int y, Tint tint)
    {
        var at = ((y * width) + x) * 4;
        rgba[at] = Channel(tint.R);
        rgba[at + 1] = Channel(tint.G);
        rgba[at + 2] = Channel(tint.B);
        rgba[at + 3] = Channel(tint.A);
    }

    /// <summary>The colour at a point of the unit square, the picture repeated beyond it.</summary>
    public Tint Sample(double u, double v)
    {
        var x = (int)Math.Floor((u - Math.Floor(u)) * width);
        var y = (int)Math.Clamp(Math.Floor(v * height), 0, height - 1);
        return Get(Math.Min(x, width - 1), y);
    }

    /// <summary>The same picture with every pixel changed.</summary>
    public Raster Map(Func<int, int, Tint, Tint> change)
    {
        var mapped = new Raster(width, height);
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++) mapped.Set(x, y, change(x, y, Get(x, y)));
        return mapped;
    }

    /// <summary>Encodes as PNG: without alpha channel where every pixel is solid.</summary>
    public byte[] ToPng()
    {
        var opaque = true;
        for (var i = 3; i < rgba.Length && opaque; i += 4) opaque = rgba[i] == 255;
        var info = new SKImageInfo(width, height, SKColorType.Rgba8888, opaque ? SKAlphaType.Opaque : SKAlphaType.Unpremul);
        // Clear pixels carry the colours beside them, so that no seam shows where a host scales.
        using var data = SKData.CreateCopy(opaque ? rgba : new SpreadColour().Run(ToPicture()).Rgba);
        using var pixels = new SKPixmap(info, data.Data, width * 4);
        using var png = pixels.Encode(new SKPngEncoderOptions(SKPngEncoderFilterFlags.AllFilters, 9));
        return png!.ToArray();
    }

    /// <summary>Encodes as DDS, BC1 where every pixel is solid.</summary>
    public byte[] ToDds() => DdsWriter.Write(ToPicture());

    /// <summary>The pixels, for what Underlay itself can do with them.</summary>
    public RgbaPicture ToPicture() => new(new PixelSize(width, height), rgba);

    private static byte Channel(double value) => (byte)Math.Clamp(Math.Round(value * 255), 0, 255);
}
