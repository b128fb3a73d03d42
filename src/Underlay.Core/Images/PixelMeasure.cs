using System.Runtime.CompilerServices;

namespace Underlay.Core.Images;

/// <summary>Takes the pixel facts that the rules of places ask for, in one pass.</summary>
internal static class PixelMeasure
{
    /// <summary>The facts of a picture that stores no alpha.</summary>
    public static PixelFacts OfSolid(PixelSize size)
    {
        var inner = Math.Max(0, size.Width - 2) * Math.Max(0, size.Height - 2);
        return new PixelFacts(AlphaUse.Solid, null, null, new PixelAt(0, 0), (size.Width * size.Height) - inner, null, 0, null, 0, null);
    }

    /// <summary>The facts of decoded pixels.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public static PixelFacts Take(ReadOnlySpan<byte> rgba, PixelSize size, PixelNeed need)
    {
        int firstClear = -1, firstPartial = -1, firstGreen = -1, greens = 0, firstTinted = -1;
        for (var i = 0; i < rgba.Length; i += 4)
        {
            var alpha = rgba[i + 3];
            if (alpha != 255)
            {
                if (firstClear < 0) firstClear = i;
                if (alpha != 0 && firstPartial < 0) firstPartial = i;
            }

            if (rgba[i + 1] != 0)
            {
                if (firstGreen < 0) firstGreen = i;
                greens++;
            }

            if (firstTinted < 0 && (rgba[i] != rgba[i + 1] || rgba[i] != rgba[i + 2])) firstTinted = i;
        }

        var (firstBorder, unclear) = MeasureBorder(rgba, size);
        var use = firstClear < 0 ? AlphaUse.Solid : firstPartial < 0 ? AlphaUse.Cut : AlphaUse.Soft;
        return new PixelFacts(
            use,
            At(firstClear, size),
            At(firstPartial, size),
            firstBorder,
            unclear,
            At(firstGreen, size),
            greens,
            At(firstTinted, size),
            use == AlphaUse.Solid || need == PixelNeed.Colours ? 0 : Looks.BleedShare(rgba, size),
            need == PixelNeed.Lettering ? Looks.Lettering(rgba, size) : null);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static (PixelAt? First, int Count) MeasureBorder(ReadOnlySpan<byte> rgba, PixelSize size)
    {
        PixelAt? first = null;
        var count = 0;
        for (var y = 0; y < size.Height; y++)
        {
            // Rows between the first and the last have two pixels in the ring (one in a picture one pixel wide).
            var step = y == 0 || y == size.Height - 1 ? 1 : Math.Max(1, size.Width - 1);
            for (var x = 0; x < size.Width; x += step)
            {
                if (rgba[(((y * size.Width) + x) * 4) + 3] == 0) continue;
                first ??= new PixelAt(x, y);
                count++;
            }
        }

        return (first, count);
    }

    private static PixelAt? At(int index, PixelSize size) => index < 0 ? null : new PixelAt(index / 4 % size.Width, index / 4 / size.Width);
}
