using System.Text.Json.Nodes;
using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>Takes away the one colour on which a picture was laid; edges get their alpha back.</summary>
/// <param name="Ground">The colour.</param>
public sealed record CutMatte(Rgb Ground) : PictureStep
{
    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "cut-matte",
        [new("colour", "Ground", StepInput.Colour)],
        step =>
            (step.Text("colour") is null ? Find(step.Context.Source()) : step.Colour("colour")) is { } ground
                ? new CutMatte(ground)
                : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Cut the ground {Ground} away";

    /// <inheritdoc/>
    public override RgbaPicture Run(RgbaPicture picture) => Matte.Cut(picture, (Ground.R, Ground.G, Ground.B));

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["colour"] = Ground.ToString();

    private static Rgb? Find(RgbaPicture? picture) =>
        picture is not null && Matte.Find(picture) is { } ground ? new Rgb(ground.R, ground.G, ground.B) : null;
}
