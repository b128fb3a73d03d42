using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Formats;
using Underlay.Core.Packs;
using Underlay.Core.Sounds;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Tells which of the base's sounds one is most like. Those are decoded once, and only the shape of each is kept.
/// </summary>
internal static class SoundRank
{
    private static readonly ConditionalWeakTable<BaseCatalogue, ConcurrentDictionary<PackPath, SoundShape?>> Known = [];

    /// <summary>How far a sound is from the base's at a path, dB; null where there is none that can be read.</summary>
    public static double? Distance(Overlay overlay, SoundShape sound, PackPath path) =>
        Known.GetValue(overlay.Base, _ => new ConcurrentDictionary<PackPath, SoundShape?>())
            .GetOrAdd(path, p => overlay.Base.Read(p) is { } bytes ? ShapeOf(bytes) : null)
            ?.DistanceTo(sound);

    /// <summary>The shape of what is heard of a sound, without silence around it; null for silence and what cannot be read.</summary>
    public static SoundShape? ShapeOf(byte[] bytes)
    {
        if (SoundReader.Read(bytes) is not { } sound) return null;
        var (lead, tail) = SoundMeasure.SilenceOf(sound);
        return lead + tail < sound.Frames ? SoundShape.Of(sound.ToMono(), lead, sound.Frames - tail) : null;
    }
}
