namespace Underlay.Core.Formats.Wav;

/// <summary>RIFF WAVE.</summary>
public sealed class WavFormat : SoundFormat
{
    /// <inheritdoc/>
    public override string Name => "WAV";

    /// <inheritdoc/>
    public override string One => "a WAV sound";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".wav"];

    /// <inheritdoc/>
    public override string MediaType => "audio/wav";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.Length >= 12 && head.StartsWith("RIFF"u8) && head[8..].StartsWith("WAVE"u8);
}
