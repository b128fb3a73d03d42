namespace Underlay.Core.Images;

/// <summary>How a PNG stores its pixels: the colour type of its header (PNG 1.2, section 4.1.1).</summary>
public enum PngColour
{
    /// <summary>Grey.</summary>
    Grey = 0,

    /// <summary>Red, green, blue.</summary>
    Rgb = 2,

    /// <summary>Indices into a palette.</summary>
    Palette = 3,

    /// <summary>Grey with alpha.</summary>
    GreyAlpha = 4,

    /// <summary>Red, green, blue, alpha.</summary>
    Rgba = 6,
}

/// <summary>What a PNG's header and chunks say before a pixel is decoded.</summary>
/// <param name="Size">Pixels.</param>
/// <param name="Colour">Colour type.</param>
/// <param name="Interlaced">True for Adam7.</param>
/// <param name="HasAlpha">True for the colour types with alpha and where a sound tRNS chunk stands.</param>
public sealed record PictureHeader(PixelSize Size, PngColour Colour, bool Interlaced, bool HasAlpha);

/// <summary>Which values the alpha of a picture takes.</summary>
public enum AlphaUse
{
    /// <summary>255 everywhere.</summary>
    Solid,

    /// <summary>0 and 255 only.</summary>
    Cut,

    /// <summary>Values between.</summary>
    Soft,
}

/// <summary>A pixel's place, from the upper left corner.</summary>
public readonly record struct PixelAt(int X, int Y)
{
    /// <inheritdoc/>
    public override string ToString() => $"{X}, {Y}";
}

/// <summary>What the rules of a place have to know of a picture's pixels.</summary>
public enum PixelNeed
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>
    /// Their alpha, and what lies under it at edges. A picture that stores none is solid, and its pixels are not decoded.
    /// </summary>
    Alpha,

    /// <summary>How well the lettering on them can be read, and their alpha.</summary>
    Lettering,

    /// <summary>Their colours, each by itself, and their alpha: the picture is a mask or the like.</summary>
    Colours,
}

/// <summary>What one pass over the pixels finds.</summary>
/// <param name="Alpha">Which values alpha takes.</param>
/// <param name="FirstClear">The first pixel, row by row, with alpha below 255.</param>
/// <param name="FirstPartial">The first pixel with alpha neither 0 nor 255.</param>
/// <param name="FirstUnclearBorder">The first pixel of the outer ring with alpha above 0.</param>
/// <param name="UnclearBorderPixels">How many pixels of the outer ring have alpha above 0.</param>
/// <param name="FirstGreen">The first pixel with green above 0, whatever its alpha. Known where colours were needed.</param>
/// <param name="GreenPixels">How many pixels have green above 0. Known where colours were needed.</param>
/// <param name="FirstTinted">The first pixel whose red, green and blue are not the same. Known where colours were needed.</param>
/// <param name="BleedShare">See <see cref="Looks.BleedShare"/>; 0 where colours were needed.</param>
/// <param name="Lettering">Known where lettering was needed.</param>
public sealed record PixelFacts(
    AlphaUse Alpha,
    PixelAt? FirstClear,
    PixelAt? FirstPartial,
    PixelAt? FirstUnclearBorder,
    int UnclearBorderPixels,
    PixelAt? FirstGreen,
    int GreenPixels,
    PixelAt? FirstTinted,
    double BleedShare,
    Lettering? Lettering);

/// <summary>How well letters can be read.</summary>
/// <param name="Contrast">The contrast ratio to their ground, as in WCAG 2.2.</param>
/// <param name="Stroke">The width of their strokes, in pixels; 0 where there are none.</param>
public readonly record struct Lettering(double Contrast, double Stroke);
