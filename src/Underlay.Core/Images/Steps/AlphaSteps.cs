namespace Underlay.Core.Images.Steps;

/// <summary>Takes away the one colour on which a picture was laid; edges get their alpha back.</summary>
/// <param name="R">Red of the colour.</param>
/// <param name="G">Green.</param>
/// <param name="B">Blue.</param>
public sealed record CutMatte(byte R, byte G, byte B) : Step
{
    /// <inheritdoc/>
    public override string Title => $"Cut the ground #{R:x2}{G:x2}{B:x2} away";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => Matte.Cut(picture, (R, G, B));
}

/// <summary>Gives a picture the alpha of another, such as the base's.</summary>
/// <param name="From">The picture whose alpha is taken; another size is brought to the picture's.</param>
public sealed record TakeAlpha(RgbaPicture From) : Step
{
    /// <inheritdoc/>
    public override string Title => "Take the base’s alpha";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var alpha = Resampler.Nearest(From, picture.Size);
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 3; i < result.Rgba.Length; i += 4) result.Rgba[i] = alpha.Rgba[i];
        return result;
    }
}

/// <summary>Gives clear pixels the colours of the visible ones beside them, so that nothing else bleeds into edges.</summary>
public sealed record SpreadColour : Step
{
    private const int Rings = 3;

    /// <inheritdoc/>
    public override string Title => "Spread colours under clear pixels";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        var filled = new bool[picture.Size.Width * picture.Size.Height];
        for (var i = 0; i < filled.Length; i++) filled[i] = picture.Rgba[(i * 4) + 3] != 0;
        for (var ring = 0; ring < Rings; ring++) filled = Grow(result, filled);
        return result;
    }

    private static bool[] Grow(RgbaPicture picture, bool[] filled)
    {
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        var next = (bool[])filled.Clone();
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
            {
                if (filled[(y * width) + x]) continue;
                int r = 0, g = 0, b = 0, count = 0;
                for (var dy = -1; dy <= 1; dy++)
                    for (var dx = -1; dx <= 1; dx++)
                    {
                        int px = x + dx, py = y + dy;
                        if (px < 0 || py < 0 || px >= width || py >= height || !filled[(py * width) + px]) continue;
                        var near = picture.At(px, py);
                        (r, g, b, count) = (r + near[0], g + near[1], b + near[2], count + 1);
                    }

                if (count == 0) continue;
                var pixel = picture.At(x, y);
                (pixel[0], pixel[1], pixel[2]) = ((byte)(r / count), (byte)(g / count), (byte)(b / count));
                next[(y * width) + x] = true;
            }

        return next;
    }
}

/// <summary>Makes every pixel solid or clear, whichever it is nearer to.</summary>
public sealed record HardenAlpha : Step
{
    /// <inheritdoc/>
    public override string Title => "Make every pixel solid or clear";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => AlphaMap.Run(picture, alpha => alpha < 128 ? (byte)0 : (byte)255);
}

/// <summary>Makes every pixel solid, clear ones too; their colours come to light.</summary>
public sealed record MakeSolid : Step
{
    /// <inheritdoc/>
    public override string Title => "Make every pixel solid";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => before;

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => AlphaMap.Run(picture, _ => 255);
}

/// <summary>Gives each pixel another alpha by the one that it has.</summary>
internal static class AlphaMap
{
    public static RgbaPicture Run(RgbaPicture picture, Func<byte, byte> map)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 3; i < result.Rgba.Length; i += 4) result.Rgba[i] = map(result.Rgba[i]);
        return result;
    }
}
