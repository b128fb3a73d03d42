namespace Underlay.Core.Images;

/// <summary>A picture as coarse as looks are compared: 12 x 12 parts in Oklab, clear ones as mid grey.</summary>
public sealed class LookGrid
{
    private const int Side = 12;
    private const byte Seen = 32;

    // Rounding in scaling tints a grey by so much.
    private const int GreySlack = 6;

    private readonly Oklab[] parts;

    private LookGrid(Oklab[] parts, bool isGrey)
    {
        this.parts = parts;
        IsGrey = isGrey;
    }

    /// <summary>True when nothing that can be seen has a colour.</summary>
    public bool IsGrey { get; }

    /// <summary>The grid of a picture.</summary>
    public static LookGrid Of(RgbaPicture picture)
    {
        var coarse = Resampler.ByArea(picture, new PixelSize(Side, Side));
        var parts = new Oklab[Side * Side];
        var isGrey = true;
        for (var i = 0; i < parts.Length; i++)
        {
            var pixel = coarse.Rgba.AsSpan(i * 4, 4);
            parts[i] = OverGrey(pixel);
            isGrey &= pixel[3] <= Seen
                || Math.Max(pixel[0], Math.Max(pixel[1], pixel[2])) - Math.Min(pixel[0], Math.Min(pixel[1], pixel[2])) <= GreySlack;
        }

        return new LookGrid(parts, isGrey);
    }

    /// <summary>The mean distance of the parts in Oklab: 0 for the same, about 1 for black beside white.</summary>
    public double DistanceTo(LookGrid other)
    {
        var sum = 0.0;
        for (var i = 0; i < parts.Length; i++) sum += parts[i].DistanceTo(other.parts[i]);
        return sum / parts.Length;
    }

    private static Oklab OverGrey(ReadOnlySpan<byte> pixel)
    {
        var alpha = pixel[3];
        byte Mix(byte value) => (byte)(((value * alpha) + (128 * (255 - alpha))) / 255);
        return Oklab.Of(Mix(pixel[0]), Mix(pixel[1]), Mix(pixel[2]));
    }
}
