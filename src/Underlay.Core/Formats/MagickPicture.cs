using ImageMagick;
using Underlay.Core.Images;

namespace Underlay.Core.Formats;

/// <summary>A format that the general library reads and that hosts do not: authors save in it, packs never keep it.</summary>
/// <param name="format">The library's word for it.</param>
public abstract class MagickPicture(MagickFormat format) : PictureFormat
{
    /// <inheritdoc/>
    public sealed override PictureSummary? Describe(ReadOnlyMemory<byte> bytes) =>
        MagickReader.SizeOf(bytes, format) is { } size ? new PictureSummary(size, this, 8) : null;

    /// <inheritdoc/>
    public sealed override (RgbaPicture? Picture, string? Problem) Decode(ReadOnlyMemory<byte> bytes) =>
        MagickReader.Decode(bytes, format, Name);
}
