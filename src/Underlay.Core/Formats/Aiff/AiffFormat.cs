using NAudio.Wave;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Aiff;

/// <summary>Audio Interchange File Format.</summary>
public sealed class AiffFormat : SoundFormat
{
    /// <inheritdoc/>
    public override string Name => "AIFF";

    /// <inheritdoc/>
    public override string One => "an AIFF sound";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".aiff", ".aif"];

    /// <inheritdoc/>
    public override string MediaType => "audio/aiff";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.Length >= 12 && head.StartsWith("FORM"u8) && head[8..].StartsWith("AIF"u8);

    /// <inheritdoc/>
    public override Sound? Decode(ReadOnlySpan<byte> file)
    {
        var bytes = file.ToArray();
        ISampleProvider? samples = null;
        return SampleStream.Read(
            () => new AiffFileReader(new MemoryStream(bytes)),
            reader => ((samples = reader.ToSampleProvider()).WaveFormat.SampleRate, samples.WaveFormat.Channels),
            (_, piece) => samples!.Read(piece));
    }
}
