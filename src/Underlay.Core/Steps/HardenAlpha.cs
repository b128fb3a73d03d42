using Underlay.Core.Images;
namespace Underlay.Core.Steps;

/// <summary>Makes every pixel solid or clear, whichever it is nearer to.</summary>
public sealed record HardenAlpha : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new("harden-alpha", [], _ => new HardenAlpha());

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Make every pixel solid or clear";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 3; i < result.Rgba.Length; i += 4) result.Rgba[i] = result.Rgba[i] < 128 ? (byte)0 : (byte)255;
        return result;
    }
}
