using Underlay.Testing;

namespace Underlay.Bench;

/// <summary>Pictures of 96 x 96 pixels, each another.</summary>
internal static class ManyPictures
{
    public static byte[] Of(int number) =>
        Picture.Of(96, 96).With(number % 96, number / 96 % 96, new Pixel((byte)number, (byte)(number >> 8), 7, 255)).ToPng();
}
