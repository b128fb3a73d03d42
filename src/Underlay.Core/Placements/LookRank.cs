using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Tells which of the base's pictures one looks most like. Those are decoded once, and only a coarse grid of each is kept.
/// </summary>
internal static class LookRank
{
    private static readonly ConditionalWeakTable<BaseCatalogue, ConcurrentDictionary<PackPath, LookGrid?>> Known = [];

    /// <summary>The grid of the base's picture at a path; null where there is none that can be read.</summary>
    public static LookGrid? OfBase(Overlay overlay, PackPath path) =>
        Known.GetValue(overlay.Base, _ => new ConcurrentDictionary<PackPath, LookGrid?>())
            .GetOrAdd(
                path,
                p => overlay.OfBase(p) is { } placement && overlay.Decode(placement) is { } decoded ? LookGrid.Of(decoded) : null);

    /// <summary>How far a picture looks from the base's at a path; null where there is none that can be read.</summary>
    public static double? Distance(Overlay overlay, LookGrid picture, PackPath path) => OfBase(overlay, path)?.DistanceTo(picture);
}
