using ImageMagick;

namespace Underlay.Core.Formats.WebP;

/// <summary>WebP, RFC 9649.</summary>
public sealed class WebPFormat() : MagickPicture(MagickFormat.WebP)
{
    /// <inheritdoc/>
    public override string Name => "WebP";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".webp"];

    /// <inheritdoc/>
    public override string MediaType => "image/webp";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.Length > 12 && head.StartsWith("RIFF"u8) && head[8..].StartsWith("WEBP"u8);
}
