using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Takes the silence in front, behind or both away.</summary>
/// <remarks>What is softer than <see cref="SoundMeasure.Silence"/> is silence.</remarks>
/// <param name="Where">"front", "behind" or "both".</param>
/// <param name="KeepMs">How much of it stays. Milliseconds.</param>
public sealed record CutSilence(string Where, int KeepMs) : SoundStep
{
    /// <summary>Before the sound begins.</summary>
    public const string Front = "front";

    /// <summary>After it ended.</summary>
    public const string Behind = "behind";

    /// <summary>At both ends.</summary>
    public const string Both = "both";

    private const int MostKept = 5000;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "cut-silence",
        [
            new(
                "where",
                "Where",
                StepInput.Choice,
                Choices: [new(Front, "in front"), new(Behind, "behind"), new(Both, "in front and behind")]),
            new("keep_ms", "Keep", StepInput.Whole, 0, MostKept, "ms"),
        ],
        step => step.Text("where") is Front or Behind or Both && step.Whole("keep_ms", 0, MostKept) is { } keep
            ? new CutSilence(step.Text("where")!, keep)
            : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title =>
        $"Cut the silence {Where switch { Front => "in front", Behind => "behind", _ => "in front and behind" }}";

    /// <inheritdoc/>
    public override int FramesCut(Sound before) =>
        Where == Behind ? 0 : Math.Clamp(SoundMeasure.SilenceOf(before).Lead - Kept(before), 0, before.Frames - 1);

    /// <inheritdoc/>
    public override Sound Run(Sound sound)
    {
        var from = FramesCut(sound);
        var behind = Where == Front ? 0 : Math.Max(0, SoundMeasure.SilenceOf(sound).Tail - Kept(sound));
        return sound.Cut(from, Math.Max(from + 1, sound.Frames - behind));
    }

    private int Kept(Sound sound) => (int)((long)KeepMs * sound.Rate / 1000);

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => (json["where"], json["keep_ms"]) = (Where, KeepMs);
}
