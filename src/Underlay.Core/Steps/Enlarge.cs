using System.Text.Json.Nodes;
using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>Makes every pixel a square of that many.</summary>
/// <param name="Factor">2 or more.</param>
public sealed record Enlarge(int Factor) : PictureStep
{
    private const int MostFactor = 64;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "enlarge",
        [new("factor", "Factor", StepInput.Whole, 2, MostFactor)],
        step => step.Whole("factor", 2, MostFactor) is { } factor ? new Enlarge(factor) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Enlarge by {Factor}";

    /// <inheritdoc/>
    public override PixelSize SizeAfter(PixelSize before) => new(before.Width * Factor, before.Height * Factor);

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => Resampler.Nearest(picture, SizeAfter(picture.Size));

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["factor"] = Factor;
}
