using ImageMagick;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Png;

/// <summary>Portable Network Graphics, as hosts read it (docs/hosts.md); of authors in every colour type and depth.</summary>
public sealed class PngFormat : PackPictureFormat
{
    /// <inheritdoc/>
    public override string Name => "PNG";

    /// <inheritdoc/>
    public override string Word => "png";

    /// <inheritdoc/>
    public override string Wanted => "an 8-bit PNG";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".png"];

    /// <inheritdoc/>
    public override string MediaType => "image/png";

    /// <inheritdoc/>
    public override bool IsShownAsItIs => true;

    /// <inheritdoc/>
    public override bool TakesOthers => true;

    /// <inheritdoc/>
    public override bool IsLighterWithFewerShades => true;

    /// <inheritdoc/>
    public override bool IsAsWanted(PictureSummary picture) => picture is { Format: PngFormat, Bits: 8 };

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) => PngChunks.Begins(head);

    /// <inheritdoc/>
    public override string ConversionOf(PictureSummary picture) => picture.Bits switch
    {
        8 => "",
        16 => "16 bits a channel that are rounded to 8",
        var bits => $"{bits} bits a channel that become 8",
    };

    /// <inheritdoc/>
    public override PictureFacts Inspect(ReadOnlyMemory<byte> file, PixelNeed need) => PngReader.Inspect(file, need);

    /// <inheritdoc/>
    public override byte[] Encode(RgbaPicture picture) => PngWriter.Write(picture);

    /// <inheritdoc/>
    public override PictureSummary? Describe(ReadOnlyMemory<byte> bytes)
    {
        if (Inspect(bytes, PixelNeed.None) is { IsReadable: true, Header: { } header }) return new PictureSummary(header.Size, this, 8);
        return MagickReader.SizeOf(bytes, MagickFormat.Png) is { } size
            ? new PictureSummary(size, this, bytes.Length > 24 ? bytes.Span[24] : 8)
            : null;
    }

    /// <inheritdoc/>
    public override (RgbaPicture? Picture, string? Problem) Decode(ReadOnlyMemory<byte> bytes) =>
        PngReader.Decode(bytes, takesDeep: true) is { Rgba: { } rgba, Size: var size }
            ? (new RgbaPicture(size, rgba), null)
            : MagickReader.Decode(bytes, MagickFormat.Png, Name);
}
