using System.Globalization;
using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Brings the highest peak of a sound to a level.</summary>
/// <remarks>True peak of ITU-R BS.1770. Silence stays as it is.</remarks>
/// <param name="Dbtp">The level.</param>
public sealed record ToPeak(double Dbtp) : SoundStep
{
    private const int Most = 60;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "peak",
        [new("dbtp", "To", StepInput.Tenths, -Most, 0, "dBTP")],
        step => step.Tenths("dbtp", -Most, 0) is { } peak ? new ToPeak(peak) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => string.Create(CultureInfo.InvariantCulture, $"Bring its peak to {Dbtp:0.0} dBTP");

    /// <inheritdoc/>
    public override Sound Run(Sound sound) =>
        Decibels.Of(TruePeak.Of(sound)) is var peak && double.IsFinite(peak) ? sound.Gain(Dbtp - peak) : sound;

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["dbtp"] = Dbtp;
}
