using Underlay.Core.Sounds;

namespace Underlay.Core.Formats.Flac;

/// <summary>FLAC, RFC 9639.</summary>
public sealed class FlacFormat : SoundFormat
{
    /// <inheritdoc/>
    public override string Name => "FLAC";

    /// <inheritdoc/>
    public override string One => "a FLAC sound";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".flac"];

    /// <inheritdoc/>
    public override string MediaType => "audio/flac";

    /// <inheritdoc/>
    public override bool Begins(ReadOnlySpan<byte> head) =>
        head.StartsWith("fLaC"u8);

    /// <inheritdoc/>
    public override Sound? Decode(ReadOnlySpan<byte> file) => FlacReader.Read(file);
}
