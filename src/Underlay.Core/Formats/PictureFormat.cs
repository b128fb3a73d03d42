using Underlay.Core.Images;

namespace Underlay.Core.Formats;

/// <summary>What a picture's header says.</summary>
/// <param name="Size">Pixels.</param>
/// <param name="Format">The format.</param>
/// <param name="Bits">Bits a channel.</param>
public readonly record struct PictureSummary(PixelSize Size, PictureFormat Format, int Bits);

/// <summary>A format in which authors have pictures.</summary>
public abstract class PictureFormat : FileFormat
{
    /// <inheritdoc/>
    public override string One => $"a {Name} picture";

    /// <summary>Whether every browser shows its files as they are.</summary>
    public virtual bool IsShownAsItIs => false;

    /// <summary>What becomes of a picture when it is made a PNG: "a TGA that becomes a PNG"; empty where nothing does.</summary>
    public virtual string ConversionOf(PictureSummary picture) => $"a {Name} that becomes a PNG";

    /// <summary>Size and depth, without decoding pixels; null when the header cannot be read.</summary>
    public abstract PictureSummary? Describe(ReadOnlyMemory<byte> bytes);

    /// <summary>Decodes a picture, or says why it cannot be read, as the end of a sentence.</summary>
    public abstract (RgbaPicture? Picture, string? Problem) Decode(ReadOnlyMemory<byte> bytes);
}
