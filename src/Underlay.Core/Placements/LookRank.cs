using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Images;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>Tells which of the base's pictures one looks most like.</summary>
/// <remarks>Distances as in <see cref="Looks.Distance"/>; the base's pictures are decoded once, and only a coarse grid of each is kept.</remarks>
internal static class LookRank
{
    private const int Grid = 12;

    private static readonly ConditionalWeakTable<BaseCatalogue, ConcurrentDictionary<PackPath, RgbaPicture?>> Known = [];

    /// <summary>How far a picture looks from the base's at a path; null where there is none that can be read.</summary>
    public static double? Distance(Overlay overlay, RgbaPicture picture, PackPath path)
    {
        var grids = Known.GetValue(overlay.Base, _ => new ConcurrentDictionary<PackPath, RgbaPicture?>());
        var own = grids.GetOrAdd(path, p => overlay.OfBase(p) is { } placement && overlay.Decode(placement) is { } decoded ? Coarse(decoded) : null);
        return own is null ? null : Looks.Distance(picture, own);
    }

    /// <summary>The picture as coarse as it is compared.</summary>
    public static RgbaPicture Coarse(RgbaPicture picture) => Resampler.ByArea(picture, new PixelSize(Grid, Grid));
}
