using Underlay.Core.Formats;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Offers;

/// <summary>The loop that the author's own editor wrote into a recording.</summary>
public static class OwnLoop
{
    /// <summary>
    /// The loop in frames of what the place plays; null where the recording has none, or steps change what lies where.
    /// </summary>
    /// <param name="tree">The pack.</param>
    /// <param name="path">A sound of it.</param>
    public static (int From, int To)? Of(FileTree tree, PackPath path)
    {
        if (tree.Find(path)?.ReadAll() is not { } bytes) return null;
        if (Shaping.FindSteps(tree, path) is not { } shaped) return In(bytes);
        if (shaped.Steps.Count > 0 || In(shaped.Source) is not { } loop) return null;
        if (SoundReader.Read(shaped.Source) is not { } source || SoundReader.Read(bytes) is not { } played) return null;
        // Saved at another rate, it lies at the same moments.
        int Moved(int frame) => (int)Math.Round((double)frame * played.Rate / source.Rate);
        var (from, to) = (Moved(loop.From), Math.Min(played.Frames, Moved(loop.To)));
        return from < to ? (from, to) : null;
    }

    /// <summary>
    /// A sound of a stack with its table's loop in the file, for the author's editor; the file itself where it does not go round.
    /// </summary>
    public static byte[] Told(Overlay overlay, Placement sound, byte[] file) =>
        SoundSeat.Of(overlay, sound)?.Loop is { } loop && loop.From < loop.To && loop.To <= sound.Facts.Sound?.Header?.Frames
            ? (FileFormats.OfHead(file) as SoundFormat)?.WithLoop(file, loop.From, loop.To) ?? file
            : file;

    private static (int From, int To)? In(byte[] file) => (FileFormats.OfHead(file) as SoundFormat)?.FindLoop(file);
}
