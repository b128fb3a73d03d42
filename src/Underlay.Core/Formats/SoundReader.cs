using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Reads the sounds that authors have, whatever their names say they are.</summary>
public static class SoundReader
{
    /// <summary>The samples of a file; null where it is no sound or cannot be read.</summary>
    public static Sound? Read(ReadOnlySpan<byte> file) =>
        FileFormats.OfHead(file[..Math.Min(file.Length, FileFormat.HeadBytes)]) is SoundFormat format ? format.Decode(file) : null;
}
