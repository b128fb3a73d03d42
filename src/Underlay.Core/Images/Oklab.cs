namespace Underlay.Core.Images;

/// <summary>A colour in a space in which distances are as people see them.</summary>
/// <remarks>CSS Color 4, "The Oklab and OKLCH color spaces", with the matrices of its sample code.</remarks>
/// <param name="L">Lightness, 0 to 1.</param>
/// <param name="A">From green to red.</param>
/// <param name="B">From blue to yellow.</param>
public readonly record struct Oklab(double L, double A, double B)
{
    /// <summary>The colour of 8-bit sRGB.</summary>
    public static Oklab Of(byte red, byte green, byte blue)
    {
        double r = Srgb.ToLinear(red), g = Srgb.ToLinear(green), b = Srgb.ToLinear(blue);
        var l = Math.Cbrt((0.4122214708 * r) + (0.5363325363 * g) + (0.0514459929 * b));
        var m = Math.Cbrt((0.2119034982 * r) + (0.6806995451 * g) + (0.1073969566 * b));
        var s = Math.Cbrt((0.0883024619 * r) + (0.2817188376 * g) + (0.6299787005 * b));
        return new Oklab(
            (0.2104542553 * l) + (0.7936177850 * m) - (0.0040720468 * s),
            (1.9779984951 * l) - (2.4285922050 * m) + (0.4505937099 * s),
            (0.0259040371 * l) + (0.7827717662 * m) - (0.8086757660 * s));
    }

    /// <summary>How far two colours look apart: 0 for the same, 1 for black beside white.</summary>
    public double DistanceTo(Oklab other)
    {
        double dl = L - other.L, da = A - other.A, db = B - other.B;
        return Math.Sqrt((dl * dl) + (da * da) + (db * db));
    }
}
