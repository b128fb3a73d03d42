using ImageMagick;
using Underlay.Core.Images;

namespace Underlay.Core.Formats.Dds;

/// <summary>DirectDraw Surface, as hosts read it: BC1 or BC3, no mip levels.</summary>
public sealed class DdsFormat : PackPictureFormat
{
    /// <inheritdoc/>
    public override string Name => "DDS";

    /// <inheritdoc/>
    public override string Word => "dds";

    /// <inheritdoc/>
    public override string Wanted => "a DDS, BC1 or BC3, without mip levels";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".dds"];

    /// <inheritdoc/>
    public override string MediaType => "image/vnd.ms-dds";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) => DdsReader.IsDds(head);

    /// <summary>Nothing: it goes where a DDS goes.</summary>
    public override string ConversionOf(PictureSummary picture) => "";

    /// <inheritdoc/>
    public override PictureFacts Inspect(ReadOnlyMemory<byte> file, PixelNeed need) => DdsReader.Inspect(file, need);

    /// <inheritdoc/>
    public override byte[] Encode(RgbaPicture picture) => DdsWriter.Write(picture);

    /// <inheritdoc/>
    public override PictureSummary? Describe(ReadOnlyMemory<byte> bytes) =>
        MagickReader.SizeOf(bytes, MagickFormat.Dds) is { } size ? new PictureSummary(size, this, 8) : null;

    /// <inheritdoc/>
    public override (RgbaPicture? Picture, string? Problem) Decode(ReadOnlyMemory<byte> bytes) =>
        MagickReader.Decode(bytes, MagickFormat.Dds, Name);
}
