using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Reads the sounds that authors have, whatever their names say they are.</summary>
public static class SoundReader
{
    /// <summary>Why a recording has no samples, as a sentence that begins with "it".</summary>
    public const string CannotDecode =
        "it cannot be decoded: it is cut, damaged or too long (23 minutes of one channel at 48000 Hz are the most)";

    /// <summary>The samples of a file; null where it is no sound or cannot be read.</summary>
    public static Sound? Read(ReadOnlySpan<byte> file) =>
        FileFormats.OfHead(file[..Math.Min(file.Length, FileFormat.HeadBytes)]) is SoundFormat format ? format.Decode(file) : null;
}
