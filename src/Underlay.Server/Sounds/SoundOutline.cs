using Underlay.Core.Sounds;

namespace Underlay.Server.Sounds;

/// <summary>What is drawn of a sound, or of a part of one.</summary>
/// <param name="Lows">The lowest samples over spans of one length, -1 to 1.</param>
/// <param name="Highs">The highest samples over the same spans.</param>
internal sealed record SoundOutline(IReadOnlyList<float> Lows, IReadOnlyList<float> Highs)
{
    /// <summary>Nothing: of what cannot be decoded.</summary>
    public static SoundOutline None { get; } = new([], []);

    /// <summary>The outline over all channels.</summary>
    /// <param name="sound">The sound.</param>
    /// <param name="most">How many spans at most.</param>
    public static SoundOutline Of(Sound sound, int most)
    {
        var spans = Peaks.Of(sound, most);
        return new SoundOutline([.. spans.Select(s => MathF.Round(s.Low, 3))], [.. spans.Select(s => MathF.Round(s.High, 3))]);
    }
}
