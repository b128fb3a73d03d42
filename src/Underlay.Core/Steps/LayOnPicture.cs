using System.Text.Json.Nodes;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Steps;

/// <summary>Makes every pixel solid by laying the picture over another, such as the base's.</summary>
/// <param name="Under">The picture beneath; another size is brought to the picture's.</param>
public sealed record LayOnPicture(RgbaPicture Under) : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "lay-on-picture",
        [],
        step => step.Picture("from", step.Context.Base) is { } under ? new LayOnPicture(under) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Lay it over the base’s picture";

    /// <inheritdoc/>
    public override IReadOnlyList<RgbaPicture> Pictures => [Under];

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var ground = Resampler.ByArea(Under, picture.Size);
        return Compositing.Over(picture, (x, y) =>
        {
            var pixel = ground.At(x, y);
            return new Rgb(pixel[0], pixel[1], pixel[2]);
        });
    }

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["from"] = ContentHash.Of(PngWriter.Write(Under)).Hex;
}
