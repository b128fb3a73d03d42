using Underlay.Core.Sounds;

namespace Underlay.Core.Formats;

/// <summary>A format in which authors have sounds.</summary>
public abstract class SoundFormat : FileFormat
{
    /// <summary>The most samples of all channels that are decoded: what is more is no sound of a pack, and would fill the memory.</summary>
    public const int MostSamples = 64 << 20;

    /// <summary>The samples of a file; null where it has none, too many, or cannot be read.</summary>
    /// <param name="file">The file's bytes, which begin as those of the format do.</param>
    public abstract Sound? Decode(ReadOnlySpan<byte> file);

    /// <summary>The loop that a file has of itself: its first frame and the one behind its last; null where the format has none.</summary>
    /// <param name="file">The file's bytes, which begin as those of the format do.</param>
    public virtual (int From, int To)? FindLoop(ReadOnlySpan<byte> file) => null;

    /// <summary>A file that tells sound editors of a loop; the file itself where the format knows of none.</summary>
    /// <param name="file">The file.</param>
    /// <param name="from">The first frame.</param>
    /// <param name="to">The frame behind the last.</param>
    public virtual byte[] WithLoop(byte[] file, int from, int to) => file;
}
