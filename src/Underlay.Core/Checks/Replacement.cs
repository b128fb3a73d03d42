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
    // Raised whenever the measures are taken in another way.
    private const int Layout = 1;
    private const int Length = (3 * sizeof(bool)) + sizeof(int) + (3 * sizeof(double));

    private static readonly ConditionalWeakTable<FileFacts, Measured> Known = [];

    /// <summary>Measures a picture beside the base's; null for what replaces none, has the base's own bytes, or cannot be read.</summary>
    public static Replacement? Of(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Facts.Picture is not { IsReadable: true }) return null;
        if (overlay.OfBase(placement.Path) is not { Facts.Picture.IsReadable: true } own || own.Facts.Hash == placement.Facts.Hash)
            return null;
        if (Known.TryGetValue(placement.Facts, out var known) && known.Own == own.Facts) return known.Replacement;
        var measured = new Measured(own.Facts, Recall(overlay, placement, own));
        Known.AddOrUpdate(placement.Facts, measured);
        return measured.Replacement;
    }

    /// <summary>The measures as they were kept beside the picture's bytes, else taken now and kept there.</summary>
    private static Replacement? Recall(Overlay overlay, Placement placement, Placement own)
    {
        var content = overlay.Pack.Tree.Find(placement.Path)?.Content;
        var key = $"beside/{own.Facts.Hash.Hex}/{Layout}";
        if (content?.FindLearned(key) is { } learned && Read(learned) is { } known) return known;
        if (overlay.Decode(placement) is not { } mine || overlay.Decode(own) is not { } theirs) return null;
        var measured = Measure(mine, theirs);
        content?.Learn(key, () => Write(measured));
        return measured;
    }

    private static byte[] Write(Replacement it)
    {
        using var bytes = new MemoryStream();
        using var writer = new BinaryWriter(bytes);
        writer.Write(it.IsOpaque);
        writer.Write(it.WasOpaque);
        writer.Write(it.Ground is { } ground ? (ground.R << 16) | (ground.G << 8) | ground.B : -1);
        writer.Write(it.ClearAfterCut);
        writer.Write(it.ClearBefore);
        writer.Write(it.Distance);
        writer.Write(it.IsSameSize);
        writer.Flush();
        return bytes.ToArray();
    }

    private static Replacement? Read(byte[] learned)
    {
        if (learned.Length != Length) return null;
        using var reader = new BinaryReader(new MemoryStream(learned));
        var (isOpaque, wasOpaque, ground) = (reader.ReadBoolean(), reader.ReadBoolean(), reader.ReadInt32());
        return new Replacement(
            isOpaque,
            wasOpaque,
            ground < 0 ? null : ((byte)(ground >> 16), (byte)(ground >> 8), (byte)ground),
            reader.ReadDouble(),
            reader.ReadDouble(),
            reader.ReadDouble(),
            reader.ReadBoolean());
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
