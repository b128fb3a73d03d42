using ImageMagick;

namespace Underlay.Core.Formats.Bmp;

/// <summary>Windows bitmap.</summary>
public sealed class BmpFormat() : MagickPicture(MagickFormat.Bmp)
{
    /// <inheritdoc/>
    public override string Name => "BMP";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".bmp"];

    /// <inheritdoc/>
    public override string MediaType => "image/bmp";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) => head.StartsWith("BM"u8);
}
