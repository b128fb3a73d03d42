using System.Collections.Concurrent;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Images;

namespace Underlay.Core.BaseFiles.Contents;

/// <summary>Pictures: what their header says, and what the rules of their place have to know of their pixels.</summary>
internal sealed class PictureContent : ContentReader
{
    /// <inheritdoc/>
    public override bool KeepsBytes => false;

    /// <summary>Raised whenever pictures are looked at in another way, or what is found is written in another.</summary>
    private const int Layout = 1;

    // Asked of every picture.
    private readonly ConcurrentDictionary<(PackPictureFormat, PixelNeed), string> keys = new();

    /// <inheritdoc/>
    public override string KeyFor(Place place) =>
        keys.GetOrAdd(
            (place.PictureFormat!, place.PixelNeed),
            k => $"{k.Item1.Word}/{k.Item2}/{Layout}".ToLowerInvariant());

    /// <inheritdoc/>
    public override ContentFacts Read(ReadOnlyMemory<byte> bytes, Place place) => place.PictureFormat!.Inspect(bytes, place.PixelNeed);

    /// <inheritdoc/>
    public override ContentFacts TooLong(string problem, Place place) => new PictureFacts(problem, null, null);

    /// <inheritdoc/>
    public override void Write(BinaryWriter writer, ContentFacts facts)
    {
        var picture = (PictureFacts)facts;
        writer.Write(picture.Problem ?? "");
        writer.Write(picture.Header is not null);
        if (picture.Header is { } header)
        {
            writer.Write(header.Size.Width);
            writer.Write(header.Size.Height);
            writer.Write((byte)header.Colour);
            writer.Write(header.Interlaced);
            writer.Write(header.HasAlpha);
        }

        writer.Write(picture.Pixels is not null);
        if (picture.Pixels is not { } pixels) return;
        writer.Write((byte)pixels.Alpha);
        WritePixel(writer, pixels.FirstClear);
        WritePixel(writer, pixels.FirstPartial);
        WritePixel(writer, pixels.FirstUnclearBorder);
        writer.Write(pixels.UnclearBorderPixels);
        WritePixel(writer, pixels.FirstGreen);
        writer.Write(pixels.GreenPixels);
        WritePixel(writer, pixels.FirstTinted);
        writer.Write(pixels.BleedShare);
        writer.Write(pixels.Lettering is not null);
        if (pixels.Lettering is not var (contrast, stroke)) return;
        writer.Write(contrast);
        writer.Write(stroke);
    }

    /// <inheritdoc/>
    public override ContentFacts ReadBack(BinaryReader reader, Place place, Func<byte[]> bytes)
    {
        var problem = reader.ReadString();
        var header = reader.ReadBoolean()
            ? new PictureHeader(
                new PixelSize(reader.ReadInt32(), reader.ReadInt32()),
                (PngColour)reader.ReadByte(),
                reader.ReadBoolean(),
                reader.ReadBoolean())
            : null;
        var pixels = reader.ReadBoolean()
            ? new PixelFacts(
                (AlphaUse)reader.ReadByte(),
                ReadPixel(reader),
                ReadPixel(reader),
                ReadPixel(reader),
                reader.ReadInt32(),
                ReadPixel(reader),
                reader.ReadInt32(),
                ReadPixel(reader),
                reader.ReadDouble(),
                reader.ReadBoolean() ? new Lettering(reader.ReadDouble(), reader.ReadDouble()) : null)
            : null;
        return new PictureFacts(problem.Length == 0 ? null : problem, header, pixels);
    }

    private static void WritePixel(BinaryWriter writer, PixelAt? pixel)
    {
        writer.Write(pixel?.X ?? -1);
        writer.Write(pixel?.Y ?? -1);
    }

    private static PixelAt? ReadPixel(BinaryReader reader)
    {
        var (x, y) = (reader.ReadInt32(), reader.ReadInt32());
        return x < 0 ? null : new PixelAt(x, y);
    }
}
