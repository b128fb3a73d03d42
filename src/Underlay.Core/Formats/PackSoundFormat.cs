using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>A format in which hosts read sounds, and so packs keep them: it is judged strictly, and written.</summary>
public abstract class PackSoundFormat : SoundFormat
{
    /// <summary>What hosts want of it, in the plural: "WAV files of 16-bit PCM".</summary>
    public abstract string Wanted { get; }

    /// <summary>As what a sound is saved in it: "16-bit WAV".</summary>
    public abstract string SavedAs { get; }

    /// <summary>The only rate at which it is played, Hz; null where there are several.</summary>
    public virtual int? OnlyRate => null;

    /// <summary>Whether a sound comes back from it as it was, but for the rounding of its samples.</summary>
    public virtual bool IsExact => true;

    /// <summary>Judges a file as hosts do, and measures it.</summary>
    public abstract SoundFacts Inspect(ReadOnlySpan<byte> file);

    /// <summary>Encodes a sound of one or two channels as hosts read it.</summary>
    public abstract byte[] Encode(Sound sound);
}
