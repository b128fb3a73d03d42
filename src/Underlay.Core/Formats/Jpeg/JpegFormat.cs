using ImageMagick;

namespace Underlay.Core.Formats.Jpeg;

/// <summary>JPEG, ISO/IEC 10918.</summary>
public sealed class JpegFormat() : MagickPicture(MagickFormat.Jpeg)
{
    /// <inheritdoc/>
    public override string Name => "JPEG";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".jpg", ".jpeg"];

    /// <inheritdoc/>
    public override string MediaType => "image/jpeg";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) => head.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xD8, 0xFF]);
}
