using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Wav;

/// <summary>RIFF WAVE.</summary>
public sealed class WavFormat : PackSoundFormat
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

    /// <inheritdoc/>
    public override string Wanted => "WAV files of 16-bit PCM";

    /// <inheritdoc/>
    public override string SavedAs => "16-bit WAV";

    /// <inheritdoc/>
    public override Sound? Decode(ReadOnlySpan<byte> file) => WavReader.Read(file);

    /// <inheritdoc/>
    public override (int From, int To)? FindLoop(ReadOnlySpan<byte> file) => WavLoop.Of(file);

    /// <inheritdoc/>
    public override byte[] WithLoop(byte[] file, int from, int to) => WavLoop.Put(file, from, to);

    /// <inheritdoc/>
    public override SoundFacts Inspect(ReadOnlySpan<byte> file) => WavReader.Inspect(file);

    /// <inheritdoc/>
    public override byte[] Encode(Sound sound) => WavWriter.Write(sound);
}
