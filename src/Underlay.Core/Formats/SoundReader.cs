using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Reads the sounds that authors have, in any format that is decoded.</summary>
public static class SoundReader
{
    /// <summary>The samples of a file; null where it is none or cannot be read.</summary>
    public static Sound? Read(ReadOnlySpan<byte> file) => WavReader.Read(file);
}
