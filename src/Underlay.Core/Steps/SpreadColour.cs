using Underlay.Core.Images;
namespace Underlay.Core.Steps;

/// <summary>Gives clear pixels the colours of the visible ones beside them, so that nothing else bleeds into edges.</summary>
public sealed record SpreadColour : PictureStep
{
    private const int Rings = 3;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new("spread-colour", [], _ => new SpreadColour());

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Spread colours under clear pixels";

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
