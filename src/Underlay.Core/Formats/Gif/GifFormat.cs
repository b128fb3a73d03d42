using ImageMagick;

namespace Underlay.Core.Formats.Gif;

/// <summary>GIF, of which the first frame is read.</summary>
public sealed class GifFormat() : MagickPicture(MagickFormat.Gif)
{
    /// <inheritdoc/>
    public override string Name => "GIF";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".gif"];

    /// <inheritdoc/>
    public override string MediaType => "image/gif";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) => head.StartsWith("GIF87a"u8) || head.StartsWith("GIF89a"u8);
}
