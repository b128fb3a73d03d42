namespace Underlay.Core.Images;

/// <summary>A colour by lightness, chroma and hue.</summary>
/// <remarks>CSS Color 4, "The Oklab and OKLCH color spaces", with the matrices of its sample code.</remarks>
/// <param name="L">Lightness, 0 to 1.</param>
/// <param name="C">Chroma, from 0.</param>
/// <param name="H">Hue, in degrees.</param>
public readonly record struct Oklch(double L, double C, double H)
{
    // Rounding of a colour on the border must not push it over.
    private const double Slack = 1e-4;

    /// <summary>True when an sRGB screen shows it as it is.</summary>
    public bool IsOnScreen
    {
        get
        {
            var (r, g, b) = ToLinear();
            return Math.Min(r, Math.Min(g, b)) >= -Slack && Math.Max(r, Math.Max(g, b)) <= 1 + Slack;
        }
    }

    /// <summary>The most chroma that a screen shows at this lightness and hue.</summary>
    public double MostChroma()
    {
        double low = 0, high = C;
        for (var i = 0; i < 40; i++)
        {
            var middle = (low + high) / 2;
            if ((this with { C = middle }).IsOnScreen) low = middle;
            else high = middle;
        }

        return Math.Floor(low * 1000) / 1000;
    }

    private (double R, double G, double B) ToLinear()
    {
        double a = C * Math.Cos(H * Math.PI / 180), b = C * Math.Sin(H * Math.PI / 180);
        var l = Math.Pow(L + (0.3963377774 * a) + (0.2158037573 * b), 3);
        var m = Math.Pow(L - (0.1055613458 * a) - (0.0638541728 * b), 3);
        var s = Math.Pow(L - (0.0894841775 * a) - (1.2914855480 * b), 3);
        return (
            (4.0767416621 * l) - (3.3077115913 * m) + (0.2309699292 * s),
            (-1.2684380046 * l) + (2.6097574011 * m) - (0.3413193965 * s),
            (-0.0041960863 * l) - (0.7034186147 * m) + (1.7076147010 * s));
    }
}
