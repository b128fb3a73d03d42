using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Lets the sound come in and go out softly.</summary>
/// <param name="InMs">From silence to full. Milliseconds.</param>
/// <param name="OutMs">From full to silence.</param>
public sealed record FadeSound(int InMs, int OutMs) : SoundStep
{
    private const int MostMs = 60_000;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "fade",
        [new("in_ms", "In", StepInput.Whole, 0, MostMs, "ms"), new("out_ms", "Out", StepInput.Whole, 0, MostMs, "ms")],
        step => step.Whole("in_ms", 0, MostMs) is { } fadeIn && step.Whole("out_ms", 0, MostMs) is { } fadeOut
            ? new FadeSound(fadeIn, fadeOut)
            : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => (InMs, OutMs) switch
    {
        ( > 0, 0) => $"Fade in over {InMs} ms",
        (0, > 0) => $"Fade out over {OutMs} ms",
        _ => $"Fade in over {InMs} and out over {OutMs} ms",
    };

    /// <inheritdoc/>
    public override Sound Run(Sound sound)
    {
        var (rising, falling) = (Frames(sound, InMs), Frames(sound, OutMs));
        return sound.Map(
            samples =>
            {
                var faded = (float[])samples.Clone();
                for (var i = 0; i < rising; i++) faded[i] *= Level(i, rising);
                for (var i = 0; i < falling; i++) faded[^(i + 1)] *= Level(i, falling);
                return faded;
            });
    }

    private static int Frames(Sound sound, int ms) => (int)Math.Min(sound.Frames, (long)ms * sound.Rate / 1000);

    /// <summary>Half a wave of a cosine, from silence to full.</summary>
    private static float Level(int frame, int frames) => (float)(0.5 - (0.5 * Math.Cos(Math.PI * frame / frames)));

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => (json["in_ms"], json["out_ms"]) = (InMs, OutMs);
}
