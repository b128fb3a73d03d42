using System.Numerics;

namespace Underlay.Core.Images;

/// <summary>A decoded picture: red, green, blue, alpha, 8 bits each, alpha not multiplied in, rows from the top.</summary>
/// <param name="Size">Pixels.</param>
/// <param name="Rgba">Four bytes a pixel.</param>
public sealed record RgbaPicture(PixelSize Size, byte[] Rgba)
{
    /// <summary>True when every pixel is solid.</summary>
    public bool IsOpaque
    {
        get
        {
            // What pixels have in common, many at a time; then those at the end.
            var (common, i) = (Vector<byte>.AllBitsSet, 0);
            for (; i <= Rgba.Length - Vector<byte>.Count; i += Vector<byte>.Count) common &= new Vector<byte>(Rgba, i);
            for (var alpha = 3; alpha < Vector<byte>.Count; alpha += 4)
                if (common[alpha] != 255) return false;
            for (i += 3; i < Rgba.Length; i += 4)
                if (Rgba[i] != 255) return false;
            return true;
        }
    }

    /// <summary>The four bytes of a pixel.</summary>
    public Span<byte> At(int x, int y) => Rgba.AsSpan(((y * Size.Width) + x) * 4, 4);

    /// <summary>The bytes of a row of pixels.</summary>
    public ReadOnlySpan<byte> Row(int y) => Rgba.AsSpan(y * Size.Width * 4, Size.Width * 4);

    /// <summary>A picture with clear black pixels.</summary>
    public static RgbaPicture Clear(PixelSize size) => new(size, new byte[size.Width * size.Height * 4]);
}
