using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Lets the end of a loop become what lies before its start, so that going round is not heard.</summary>
/// <param name="From">The loop's first frame.</param>
/// <param name="To">The frame behind its last.</param>
/// <param name="OverMs">How long it takes; no longer than what lies before the start.</param>
/// <param name="Hertz">The rate at which the frames are counted; the sound may have another before this step.</param>
public sealed record CrossFade(int From, int To, int OverMs, int Hertz) : SoundStep
{
    private const int MostFrames = 1 << 30;
    private const int MostOver = 5000;
    private const int LeastRate = 8000;
    private const int MostRate = 192_000;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "cross-fade",
        [
            new("from", "Loop from", StepInput.Whole, 0, MostFrames, "frames"),
            new("to", "to", StepInput.Whole, 1, MostFrames, "frames"),
            new("over_ms", "over", StepInput.Whole, 1, MostOver, "ms"),
            new("hz", "at", StepInput.Whole, LeastRate, MostRate, "Hz"),
        ],
        step => step.Whole("from", 0, MostFrames) is { } from
            && step.Whole("to", 1, MostFrames) is { } to
            && step.Whole("over_ms", 1, MostOver) is { } over
            && step.Whole("hz", LeastRate, MostRate) is { } rate
            && from < to
            ? new CrossFade(from, to, over, rate)
            : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"Cross-fade the loop’s seam over {OverMs} ms";

    /// <inheritdoc/>
    public override Sound Run(Sound sound)
    {
        var to = Math.Min(SoundResampler.Frame(To, Hertz, sound.Rate), sound.Frames);
        var from = Math.Min(SoundResampler.Frame(From, Hertz, sound.Rate), to);
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
    protected override void Write(JsonObject json) => (json["from"], json["to"], json["over_ms"], json["hz"]) = (From, To, OverMs, Hertz);
}
