using ImageMagick;

namespace Underlay.Core.Formats.Tga;

/// <summary>Truevision TGA.</summary>
public sealed class TgaFormat() : MagickPicture(MagickFormat.Tga)
{
    /// <inheritdoc/>
    public override string Name => "TGA";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".tga"];

    /// <inheritdoc/>
    public override string MediaType => "image/x-tga";

    /// <summary>TGA has no signature: a header in which every field has a value that the format knows.</summary>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.Length > 18
        && head[1] <= 1
        && head[2] is 1 or 2 or 3 or 9 or 10 or 11
        && head[16] is 8 or 15 or 16 or 24 or 32
        && (head[12] | (head[13] << 8)) is > 0 and <= SourceReader.MaxSide
        && (head[14] | (head[15] << 8)) is > 0 and <= SourceReader.MaxSide
        && (head[17] & 0xC0) == 0
        && (head[1] == 1) == (head[2] is 1 or 9);
}
