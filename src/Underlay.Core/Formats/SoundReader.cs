using Underlay.Core.Formats.Wav;
using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>Reads the sounds that authors have, in any format that is decoded.</summary>
public static class SoundReader
{
    /// <summary>True where the samples of a file can be read.</summary>
    public static bool CanRead(ReadOnlySpan<byte> file) => Read(file) is not null;

    /// <summary>The samples of a file; null where it is none or cannot be read.</summary>
    public static Sound? Read(ReadOnlySpan<byte> file) => WavReader.Read(file);
}
