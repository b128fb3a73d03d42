namespace Underlay.Core.Images;

/// <summary>The light of 8-bit sRGB values.</summary>
/// <remarks>IEC 61966-2-1; relative luminance as in WCAG 2.2.</remarks>
public static class Srgb
{
    private static readonly double[] Light =
    [
        .. Enumerable.Range(0, 256).Select(v => v / 255.0).Select(v => v <= 0.04045 ? v / 12.92 : Math.Pow((v + 0.055) / 1.055, 2.4)),
    ];

    /// <summary>The light of one channel, 0 to 1.</summary>
    public static double ToLinear(byte value) => Light[value];

    /// <summary>Relative luminance, 0 for black to 1 for white.</summary>
    public static double Luminance(byte red, byte green, byte blue) =>
        (0.2126 * Light[red]) + (0.7152 * Light[green]) + (0.0722 * Light[blue]);
}
