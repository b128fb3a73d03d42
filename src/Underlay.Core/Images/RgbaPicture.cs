using System.Numerics;
using System.Runtime.InteropServices;

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
            // What all pixels have in common, many at a time.
            var pixels = MemoryMarshal.Cast<byte, uint>(Rgba.AsSpan());
            var (common, i) = (Vector<uint>.AllBitsSet, 0);
            for (; i <= pixels.Length - Vector<uint>.Count; i += Vector<uint>.Count) common &= new Vector<uint>(pixels[i..]);
            var all = uint.MaxValue;
            for (var lane = 0; lane < Vector<uint>.Count; lane++) all &= common[lane];
            for (; i < pixels.Length; i++) all &= pixels[i];
            return MemoryMarshal.AsBytes(new ReadOnlySpan<uint>(in all))[3] == 255;
        }
    }

    /// <summary>The four bytes of a pixel.</summary>
    public Span<byte> At(int x, int y) => Rgba.AsSpan(((y * Size.Width) + x) * 4, 4);

    /// <summary>The bytes of a row of pixels.</summary>
    public ReadOnlySpan<byte> Row(int y) => Rgba.AsSpan(y * Size.Width * 4, Size.Width * 4);

    /// <summary>A picture with clear black pixels.</summary>
    public static RgbaPicture Clear(PixelSize size) => new(size, new byte[size.Width * size.Height * 4]);
}
