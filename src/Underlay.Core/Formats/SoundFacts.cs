using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>What the header of a sound says.</summary>
/// <param name="Rate">Frames a second, Hz.</param>
/// <param name="Channels">1 is mono, 2 stereo.</param>
/// <param name="Frames">Samples a channel.</param>
public sealed record SoundHeader(int Rate, int Channels, int Frames)
{
    /// <summary>How long it is. Seconds.</summary>
    public double Seconds => (double)Frames / Rate;
}

/// <summary>The facts of one sound file: a problem, or a header and what was measured.</summary>
/// <param name="Problem">Why a host cannot read it, as the end of a sentence: "it has 24 bits".</param>
/// <param name="Header">Null when there is a problem.</param>
/// <param name="Measure">Null when there is a problem, or when it is too long to be measured.</param>
public sealed record SoundFacts(string? Problem, SoundHeader? Header, SoundMeasure? Measure) : ContentFacts
{
    /// <inheritdoc/>
    public override TextProblem? Unreadable => Problem is null ? null : new TextProblem(null, Problem);
}
