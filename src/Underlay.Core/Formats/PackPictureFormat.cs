using Underlay.Core.Images;

namespace Underlay.Core.Formats;

/// <summary>A format in which hosts read pictures, and so packs keep them: it is judged strictly, and written.</summary>
public abstract class PackPictureFormat : PictureFormat
{
    /// <summary>The most pixels on a side that hosts read.</summary>
    public const int MaxSide = 4096;

    /// <summary>How the profile names the format.</summary>
    public abstract string Word { get; }

    /// <summary>What hosts want of it: "an 8-bit PNG".</summary>
    public abstract string Wanted { get; }

    /// <summary>Whether any picture may be meant to become one of it; else only one that is to replace such a file of the base's.</summary>
    public virtual bool TakesOthers => false;

    /// <summary>Whether its files get smaller as a picture has fewer shades.</summary>
    public virtual bool IsLighterWithFewerShades => false;

    /// <summary>Whether a header alone says that a picture is as hosts want it.</summary>
    public virtual bool IsAsWanted(PictureSummary picture) => false;

    /// <summary>Judges a file as hosts do, and takes pixel facts where they are asked for.</summary>
    /// <param name="file">The file's bytes.</param>
    /// <param name="need">Which pixel facts are wanted.</param>
    public abstract PictureFacts Inspect(ReadOnlyMemory<byte> file, PixelNeed need);

    /// <summary>Encodes a picture as hosts read it.</summary>
    public abstract byte[] Encode(RgbaPicture picture);
}
