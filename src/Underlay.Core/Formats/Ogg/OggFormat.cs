using NVorbis;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Ogg;

/// <summary>Ogg with Opus or Vorbis, RFC 3533.</summary>
public sealed class OggFormat : PackSoundFormat
{
    /// <inheritdoc/>
    public override string Name => "Ogg";

    /// <inheritdoc/>
    public override string One => "an Ogg sound";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".opus", ".ogg"];

    /// <inheritdoc/>
    public override string MediaType => "audio/ogg";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.StartsWith("OggS"u8);

    /// <inheritdoc/>
    public override string Wanted => "Ogg files of Opus";

    /// <inheritdoc/>
    public override string SavedAs => "Opus";

    /// <inheritdoc/>
    public override int? OnlyRate => OpusReader.Rate;

    /// <inheritdoc/>
    public override bool IsExact => false;

    /// <inheritdoc/>
    public override Sound? Decode(ReadOnlySpan<byte> file)
    {
        if (OpusReader.IsOpus(file)) return OpusReader.Read(file);
        if (!VorbisHeader.IsSound(file)) return null;
        var bytes = file.ToArray();
        return SampleStream.Read(
            () => new VorbisReader(new MemoryStream(bytes)),
            reader => (reader.SampleRate, reader.Channels),
            (reader, piece) => reader.ReadSamples(piece, 0, piece.Length));
    }

    /// <inheritdoc/>
    public override SoundFacts Inspect(ReadOnlySpan<byte> file) => OpusReader.Inspect(file);

    /// <inheritdoc/>
    public override byte[] Encode(Sound sound) => OpusWriter.Write(sound);
}
