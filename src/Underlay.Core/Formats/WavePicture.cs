using Underlay.Core.Images;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Draws the outline of a sound, for lists in which pictures stand for files.</summary>
public static class WavePicture
{
    private const int Side = 64;

    // Malachite: 3:1 at least on paper and on the dark ground.
    private static readonly (byte R, byte G, byte B) Ink = (0x16, 0x8A, 0x68);

    /// <summary>A square picture with clear ground.</summary>
    public static RgbaPicture Of(Sound sound)
    {
        var pixels = new byte[Side * Side * 4];
        var spans = Peaks.Of(sound, Side);
        for (var x = 0; x < Side; x++)
        {
            var (low, high) = spans[x * spans.Count / Side];
            var (top, bottom) = (Row(high), Math.Max(Row(low), Row(high)));
            for (var y = top; y <= bottom; y++)
                (pixels[At(x, y)], pixels[At(x, y) + 1], pixels[At(x, y) + 2], pixels[At(x, y) + 3]) = (Ink.R, Ink.G, Ink.B, 255);
        }

        return new RgbaPicture(new PixelSize(Side, Side), pixels);
    }

    private static int At(int x, int y) => ((y * Side) + x) * 4;

    private static int Row(float sample) => Math.Clamp((int)Math.Round((1 - Math.Clamp(sample, -1, 1)) * (Side - 1) / 2), 0, Side - 1);
}
