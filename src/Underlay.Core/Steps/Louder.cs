using System.Globalization;
using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Makes a sound louder or softer.</summary>
/// <param name="Decibels">Below 0 makes it softer.</param>
public sealed record Louder(double Decibels) : SoundStep
{
    private const int Most = 60;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "gain",
        [new("db", "By", StepInput.Tenths, -Most, Most, "dB")],
        step => step.Tenths("db", -Most, Most) is { } decibels ? new Louder(decibels) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => string.Create(
        CultureInfo.InvariantCulture,
        $"Make it {Math.Abs(Decibels):0.0} dB {(Decibels < 0 ? "softer" : "louder")}");

    /// <inheritdoc/>
    public override Sound Run(Sound sound) => sound.Gain(Decibels);

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["db"] = Decibels;
}
