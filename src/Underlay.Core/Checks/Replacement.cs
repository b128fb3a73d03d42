using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// A picture of the pack beside the one of the base that it replaces, measured once for all checks that compare the two: both
/// are decoded a single time, and only the measures are kept.
/// </summary>
/// <param name="IsOpaque">Every pixel of the pack's is solid.</param>
/// <param name="WasOpaque">Every pixel of the base's is solid.</param>
/// <param name="Ground">The one colour on which a solid picture lies, or null.</param>
/// <param name="ClearAfterCut">Which share of the pack's would be clear without that ground, or with the base's alpha.</param>
/// <param name="ClearBefore">Which share of the base's is clear.</param>
/// <param name="Distance"><see cref="Looks.Distance"/> of the two.</param>
/// <param name="IsSameSize">Both have the same size.</param>
internal sealed record Replacement(
    bool IsOpaque,
    bool WasOpaque,
    (byte R, byte G, byte B)? Ground,
    double ClearAfterCut,
    double ClearBefore,
    double Distance,
    bool IsSameSize)
{
    private static readonly ConditionalWeakTable<FileFacts, Measured> Known = [];

    /// <summary>Measures a picture beside the base's; null for what replaces none, has the base's own bytes, or cannot be read.</summary>
    public static Replacement? Of(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Facts.Picture is not { IsReadable: true }) return null;
        if (overlay.OfBase(placement.Path) is not { Facts.Picture.IsReadable: true } own || own.Facts.Hash == placement.Facts.Hash)
            return null;
        if (Known.TryGetValue(placement.Facts, out var known) && known.Own == own.Facts) return known.Replacement;
        var measured = new Measured(
            own.Facts,
            overlay.Decode(placement) is { } mine && overlay.Decode(own) is { } theirs ? Measure(mine, theirs) : null);
        Known.AddOrUpdate(placement.Facts, measured);
        return measured.Replacement;
    }

    private static Replacement Measure(RgbaPicture mine, RgbaPicture theirs)
    {
        var (isOpaque, wasOpaque) = (mine.IsOpaque, theirs.IsOpaque);
        var ground = isOpaque && !wasOpaque ? Matte.Find(mine) : null;
        var clearBefore = ClearShare(theirs);
        return new Replacement(
            isOpaque,
            wasOpaque,
            ground,
            ground is { } colour ? ClearShare(Matte.Cut(mine, colour)) : clearBefore,
            clearBefore,
            Looks.Distance(mine, theirs),
            mine.Size == theirs.Size);
    }

    private static double ClearShare(RgbaPicture picture)
    {
        var clear = 0;
        for (var i = 3; i < picture.Rgba.Length; i += 4)
            if (picture.Rgba[i] == 0) clear++;
        return clear / (picture.Rgba.Length / 4.0);
    }

    private sealed record Measured(FileFacts Own, Replacement? Replacement);
}
