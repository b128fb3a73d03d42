using Underlay.Core.Images;
namespace Underlay.Core.Steps;

/// <summary>Composites pictures over solid grounds.</summary>
internal static class Compositing
{
    /// <summary>Each pixel over the ground's: colours under clear pixels never come to light.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="ground">The ground's pixel at a place; its alpha counts as solid.</param>
    /// <remarks>Porter and Duff's "over" on a solid ground.</remarks>
    public static RgbaPicture Over(RgbaPicture picture, Func<int, int, Rgb> ground)
    {
        var result = RgbaPicture.Clear(picture.Size);
        for (var y = 0; y < picture.Size.Height; y++)
            for (var x = 0; x < picture.Size.Width; x++)
            {
                var over = picture.At(x, y);
                var to = result.At(x, y);
                var under = ground(x, y);
                to[0] = Mix(over[0], under.R, over[3]);
                to[1] = Mix(over[1], under.G, over[3]);
                to[2] = Mix(over[2], under.B, over[3]);
                to[3] = 255;
            }

        return result;
    }

    private static byte Mix(byte over, byte under, byte alpha) => (byte)(((over * alpha) + (under * (255 - alpha)) + 127) / 255);
}
