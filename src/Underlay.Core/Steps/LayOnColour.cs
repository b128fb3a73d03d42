using System.Text.Json.Nodes;
using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>Makes every pixel solid by laying the picture on a colour.</summary>
/// <param name="Ground">The colour.</param>
public sealed record LayOnColour(Rgb Ground) : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "lay-on-colour",
        [new("colour", "Ground", StepInput.Colour)],
        step => step.Colour("colour") is { } ground ? new LayOnColour(ground) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Lay it on {(Ground == default ? "black" : Ground.ToString())}";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => Compositing.Over(picture, (_, _) => Ground);

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["colour"] = Ground.ToString();
}
