using NLayer;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Mp3;

/// <summary>MPEG audio, layer III: with a tag, or from its first frame on.</summary>
public sealed class Mp3Format : SoundFormat
{
    /// <inheritdoc/>
    public override string Name => "MP3";

    /// <inheritdoc/>
    public override string One => "an MP3 sound";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".mp3"];

    /// <inheritdoc/>
    public override string MediaType => "audio/mpeg";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.StartsWith("ID3"u8) || (head.Length > 2 && head[0] == 0xFF && (head[1] & 0xE6) == 0xE2);

    /// <inheritdoc/>
    public override Sound? Decode(ReadOnlySpan<byte> file)
    {
        var bytes = file.ToArray();
        return SampleStream.Read(
            () => new MpegFile(new MemoryStream(bytes)),
            reader => (reader.SampleRate, reader.Channels),
            (reader, piece) => reader.ReadSamples(piece, 0, piece.Length));
    }
}
