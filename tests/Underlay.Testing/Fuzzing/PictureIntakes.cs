using System.Buffers.Binary;
using System.IO.Hashing;
using ImageMagick;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Dds;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;

namespace Underlay.Testing.Fuzzing;

/// <summary>The pictures that are read.</summary>
public static class PictureIntakes
{
    private static readonly Picture Painted = Picture.Of(40, 24).With(3, 3, new Pixel(200, 20, 90, 0));

    /// <summary>A format each.</summary>
    public static IReadOnlyList<Intake> All { get; } =
    [
        new("png", [.. Pngs().Select(p => p.ToPng())], b => Read(b, "art/surfaces/quartz.png", "wares/milk_jug/skin.png"), MendPng),
        new(
            "dds",
            [Dds.Of(64, 64, "DXT1", 1), Dds.Of(64, 64, "DXT5", 1), Written(MagickFormat.Dds)],
            b => Read(b, "wares/milk_jug/skin.dds", "art/surfaces/quartz.png")),
        new("bmp", [Written(MagickFormat.Bmp), Written(MagickFormat.Bmp3)], b => Read(b, "art/scenes/quay.png", "art/scenes/quay.bmp")),
        new("tga", [Written(MagickFormat.Tga)], b => Read(b, "wares/milk_jug/shelf.png", "wares/milk_jug/shelf.tga")),
        new("webp", [Written(MagickFormat.WebP)], b => Read(b, "art/surfaces/fence.png", "art/surfaces/fence.webp")),
        new("gif", [Written(MagickFormat.Gif)], b => Read(b, "art/stalls/001.png", "art/stalls/001.gif")),
        new("jpeg", [Written(MagickFormat.Jpeg)], b => Read(b, "art/surfaces/flagstone.png", "art/surfaces/flagstone.jpg")),
    ];

    private static IEnumerable<Picture> Pngs()
    {
        foreach (var type in new[] { 0, 2, 3, 4, 6 })
            foreach (var interlaced in new[] { false, true })
                yield return Painted with { ColourType = type, Interlaced = interlaced, Filter = y => y % 5, DataChunks = 2 };
    }

    private static byte[] Written(MagickFormat format)
    {
        using var image = new MagickImage(Painted.ToPng());
        return image.ToByteArray(format);
    }

    private static void Read(byte[] bytes, params IEnumerable<string> paths)
    {
        foreach (var need in Enum.GetValues<PixelNeed>()) AssertSound(PngReader.Inspect(bytes, need));
        AssertSound(DdsReader.Inspect(bytes, PixelNeed.None));
        SourceReader.Describe(bytes);
        SourceReader.ConversionOf(bytes);
        var (picture, problem) = SourceReader.Read(bytes);
        if (picture is null) PackIntake.AssertWords(problem);
        else if (picture.Size is not { Width: > 0, Height: > 0 } size || picture.Rgba.Length != size.Width * size.Height * 4)
            throw new InvalidDataException($"{picture.Rgba.Length} bytes for {picture.Size}");
        if (SourceReader.ToPng(bytes) is { Png: null } refused) PackIntake.AssertWords(refused.Problem);
        foreach (var path in paths) PackIntake.Check(APack.Of().With(path, bytes));
    }

    private static void AssertSound(PictureFacts facts)
    {
        if (!facts.IsReadable) PackIntake.AssertWords(facts.Problem);
        else if (facts.Header is not { Size: { Width: > 0, Height: > 0 } }) throw new InvalidDataException("no size");
    }

    /// <summary>Makes the CRC of each chunk right again.</summary>
    private static byte[] MendPng(byte[] png)
    {
        for (var at = 8; png.Length - at >= 12;)
        {
            var length = BinaryPrimitives.ReadUInt32BigEndian(png.AsSpan(at));
            if (length > (uint)(png.Length - at - 12)) break;
            BinaryPrimitives.WriteUInt32BigEndian(
                png.AsSpan(at + 8 + (int)length),
                Crc32.HashToUInt32(png.AsSpan(at + 4, (int)length + 4)));
            at += 12 + (int)length;
        }

        return png;
    }
}
