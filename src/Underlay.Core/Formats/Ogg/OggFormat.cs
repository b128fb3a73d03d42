namespace Underlay.Core.Formats.Ogg;

/// <summary>Ogg with Opus or Vorbis, RFC 3533.</summary>
public sealed class OggFormat : SoundFormat
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
}
