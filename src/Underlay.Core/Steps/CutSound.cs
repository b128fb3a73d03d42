using System.Globalization;
using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Keeps what lies between two moments.</summary>
/// <param name="FromMs">The first moment that stays. Milliseconds.</param>
/// <param name="ToMs">The first that does not; behind the end, all stays.</param>
public sealed record CutSound(int FromMs, int ToMs) : SoundStep
{
    // An hour: longer ones are not decoded.
    private const int MostMs = 3_600_000;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "cut",
        [new("from_ms", "From", StepInput.Whole, 0, MostMs, "ms"), new("to_ms", "To", StepInput.Whole, 1, MostMs, "ms")],
        step => step.Whole("from_ms", 0, MostMs) is { } from && step.Whole("to_ms", 1, MostMs) is { } to && from < to
            ? new CutSound(from, to)
            : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => string.Create(CultureInfo.InvariantCulture, $"Keep {FromMs / 1000.0:0.00} to {ToMs / 1000.0:0.00} s");

    /// <inheritdoc/>
    public override int FramesCut(Sound before) => Math.Min(Frame(before, FromMs), before.Frames - 1);

    /// <inheritdoc/>
    public override Sound Run(Sound sound)
    {
        var from = FramesCut(sound);
        return sound.Cut(from, Math.Clamp(Frame(sound, ToMs), from + 1, sound.Frames));
    }

    private static int Frame(Sound sound, int ms) => (int)Math.Min(sound.Frames, (long)ms * sound.Rate / 1000);

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => (json["from_ms"], json["to_ms"]) = (FromMs, ToMs);
}
