using Underlay.Core.Images;
namespace Underlay.Core.Steps;

/// <summary>Makes every pixel a shade of grey by its lightness; alpha stays.</summary>
/// <remarks>Luma of ITU-R BT.709.</remarks>
public sealed record ToGrey : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new("grey", [], _ => new ToGrey());

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Make it grey";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 0; i < result.Rgba.Length; i += 4)
        {
            var luma = (0.2126 * result.Rgba[i]) + (0.7152 * result.Rgba[i + 1]) + (0.0722 * result.Rgba[i + 2]);
            result.Rgba[i] = result.Rgba[i + 1] = result.Rgba[i + 2] = (byte)Math.Round(luma);
        }

        return result;
    }
}
