namespace Underlay.Demo.Art;

/// <summary>A colour, each channel 0 to 1, alpha not multiplied in.</summary>
internal readonly record struct Tint(double R, double G, double B, double A = 1)
{
    public static Tint Hex(uint rgb) => new(((rgb >> 16) & 255) / 255.0, ((rgb >> 8) & 255) / 255.0, (rgb & 255) / 255.0);

    public static Tint Mix(Tint a, Tint b, double t) =>
        new(Noise.Mix(a.R, b.R, t), Noise.Mix(a.G, b.G, t), Noise.Mix(a.B, b.B, t), Noise.Mix(a.A, b.A, t));

    /// <summary>The colour under more or less light; light also turns it a little warm, shade a little cool.</summary>
    public Tint Lit(double light)
    {
        var warm = (light - 1) * 0.05;
        return new Tint(R * (light + warm), G * light, B * (light - warm), A);
    }

    public Tint WithAlpha(double alpha) => this with { A = alpha };
}

/// <summary>Three colours from dark to light, looked up by a number from 0 to 1.</summary>
internal sealed record Palette(Tint Dark, Tint Mid, Tint Light)
{
    public static Palette Of(uint dark, uint mid, uint light) => new(Tint.Hex(dark), Tint.Hex(mid), Tint.Hex(light));

    public Tint At(double t) => t < 0.5 ? Tint.Mix(Dark, Mid, Math.Max(0, t) * 2) : Tint.Mix(Mid, Light, (Math.Min(1, t) - 0.5) * 2);
}
