using System.Text.Json.Nodes;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Steps;

/// <summary>Gives a picture the alpha of another, such as the base's, where that is less than its own: what is clear stays clear.</summary>
/// <param name="From">The picture whose alpha is taken; another size is brought to the picture's.</param>
public sealed record TakeAlpha(RgbaPicture From) : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "take-alpha",
        [],
        step => step.Picture("from", step.Context.Base) is { } from ? new TakeAlpha(from) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Take the base’s alpha";

    /// <inheritdoc/>
    public override IReadOnlyList<RgbaPicture> Pictures => [From];

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture)
    {
        var alpha = Resampler.Nearest(From, picture.Size);
        var result = new RgbaPicture(picture.Size, (byte[])picture.Rgba.Clone());
        for (var i = 3; i < result.Rgba.Length; i += 4) result.Rgba[i] = Math.Min(alpha.Rgba[i], result.Rgba[i]);
        return result;
    }

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["from"] = ContentHash.Of(PngWriter.Write(From)).Hex;
}
