using Underlay.Core.Images;
namespace Underlay.Core.Steps;

/// <summary>Makes the outer ring of pixels clear; their colours stay.</summary>
public sealed record ClearBorder : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new("clear-border", [], _ => new ClearBorder());

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Clear the outer ring";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        var (width, height) = (picture.Size.Width, picture.Size.Height);
        for (var y = 0; y < height; y++)
            for (var x = 0; x < width; x++)
                if (x == 0 || y == 0 || x == width - 1 || y == height - 1) result.At(x, y)[3] = 0;
        return result;
    }
}
