using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>
/// Rounds a sound to the levels of 16 bits with dither: what is softer than a level is still heard, below a little even noise, instead of
/// being cut into steps.
/// </summary>
/// <remarks>Triangular dither of two levels from end to end; silence stays silence. The same sound gives the same result.</remarks>
public sealed record ToDepth : SoundStep
{
    /// <summary>The only one.</summary>
    public static readonly ToDepth Dithered = new();

    /// <summary>The height of a level of 16 bits.</summary>
    public const double Level = 1.0 / 32768;

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new("dither", [], _ => Dithered);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => "Round it to 16 bits with dither";

    /// <summary>True where the samples are levels of 16 bits already, and nothing is to be rounded.</summary>
    public static bool IsRound(Sound sound) =>
        sound.Channels.All(c => Array.TrueForAll(c, s => Math.Abs(s) > 1 || s / Level == Math.Round(s / Level)));

    /// <inheritdoc/>
    public override Sound Run(Sound sound)
    {
        if (IsRound(sound)) return sound;
        return sound with { Channels = [.. sound.Channels.Select((samples, channel) => Dither(samples, (uint)channel))] };
    }

    /// <inheritdoc/>
    protected override void Write(JsonObject json)
    {
    }

    private static float[] Dither(float[] samples, uint channel)
    {
        // Channels have noise of their own, or it would be heard in the middle.
        var state = 0x9E3779B9u + channel;
        var rounded = new float[samples.Length];
        for (var i = 0; i < samples.Length; i++)
        {
            var noise = Next(ref state) - Next(ref state);
            if (samples[i] != 0) rounded[i] = (float)(Math.Round((samples[i] / Level) + noise) * Level);
        }

        return rounded;
    }

    /// <summary>A number from 0 to 1. Xorshift, G. Marsaglia.</summary>
    private static double Next(ref uint state)
    {
        state ^= state << 13;
        state ^= state >> 17;
        state ^= state << 5;
        return state / (double)uint.MaxValue;
    }
}
