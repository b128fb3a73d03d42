using System.Globalization;
using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Brings a sound to a loudness, but no higher than its peaks allow.</summary>
/// <remarks>Integrated loudness of EBU R 128; true peak of ITU-R BS.1770. What is too soft to measure stays as it is.</remarks>
/// <param name="Lufs">The loudness.</param>
public sealed record ToLoudness(double Lufs) : SoundStep
{
    private const int Least = -60;
    private const int Most = -5;

    // What players of sounds have to spare between samples. dBTP.
    private const double MostPeak = -1.1;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "loudness",
        [new("lufs", "To", StepInput.Tenths, Least, Most, "LUFS")],
        step => step.Tenths("lufs", Least, Most) is { } lufs ? new ToLoudness(lufs) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => string.Create(CultureInfo.InvariantCulture, $"Bring it to {Lufs:0.0} LUFS");

    /// <inheritdoc/>
    public override Sound Run(Sound sound) =>
        Loudness.Of(sound) is { } now ? sound.Gain(Math.Min(Lufs - now, MostPeak - Decibels.Of(TruePeak.Of(sound)))) : sound;

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["lufs"] = Lufs;
}
