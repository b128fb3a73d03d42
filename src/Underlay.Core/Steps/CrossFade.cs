using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Lets the end of a loop become what lies before its start, so that going round is not heard.</summary>
/// <param name="From">The loop's first frame in the sound as it is before this step.</param>
/// <param name="To">The frame behind its last.</param>
/// <param name="OverMs">How long it takes; no longer than what lies before the start.</param>
public sealed record CrossFade(int From, int To, int OverMs) : SoundStep
{
    private const int MostFrames = 1 << 30;
    private const int MostOver = 5000;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "cross-fade",
        [
            new("from", "Loop from", StepInput.Whole, 0, MostFrames, "frames"),
            new("to", "to", StepInput.Whole, 1, MostFrames, "frames"),
            new("over_ms", "over", StepInput.Whole, 1, MostOver, "ms"),
        ],
        step => step.Whole("from", 0, MostFrames) is { } from
            && step.Whole("to", 1, MostFrames) is { } to
            && step.Whole("over_ms", 1, MostOver) is { } over
            && from < to
            ? new CrossFade(from, to, over)
            : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Cross-fade the loop’s seam over {OverMs} ms";

    /// <inheritdoc/>
    public override Sound Run(Sound sound)
    {
        var to = Math.Min(To, sound.Frames);
        var from = Math.Min(From, to);
        // There has to be something before the start to come from, and the loop is not to fade into itself.
        var over = (int)Math.Min(Math.Min((long)OverMs * sound.Rate / 1000, from), to - from);
        return over <= 0
            ? sound
            : sound.Map(
                samples =>
                {
                    var faded = (float[])samples.Clone();
                    for (var i = 0; i < over; i++)
                    {
                        var share = (i + 1f) / over;
                        faded[to - over + i] = (samples[to - over + i] * (1 - share)) + (samples[from - over + i] * share);
                    }

                    return faded;
                });
    }

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => (json["from"], json["to"], json["over_ms"]) = (From, To, OverMs);
}
