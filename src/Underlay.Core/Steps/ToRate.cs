using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Gives a sound another rate.</summary>
/// <param name="Hertz">Frames a second.</param>
public sealed record ToRate(int Hertz) : SoundStep
{
    private const int Least = 8000;
    private const int Most = 192_000;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "rate",
        [new("hz", "To", StepInput.Whole, Least, Most, "Hz")],
        step => step.Whole("hz", Least, Most) is { } rate ? new ToRate(rate) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Resample it to {Hertz} Hz";

    /// <inheritdoc/>
    public override Sound Run(Sound sound) => SoundResampler.To(sound, Hertz);

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["hz"] = Hertz;
}
