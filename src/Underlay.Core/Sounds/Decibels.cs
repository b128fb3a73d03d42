namespace Underlay.Core.Sounds;

/// <summary>Levels: 0 dB is full scale.</summary>
public static class Decibels
{
    /// <summary>The level of a magnitude; negative infinity for nothing.</summary>
    public static double Of(double magnitude) => 20 * Math.Log10(magnitude);

    /// <summary>The factor that changes a level by so much.</summary>
    public static double ToFactor(double decibels) => Math.Pow(10, decibels / 20);
}
