using System.Runtime.CompilerServices;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// What a picture's subject looks like: cut out around its form, or still a solid rectangle on the ground that it was drawn on. A
/// clear rim around such a rectangle, as a fit leaves it, does not hide it.
/// </summary>
/// <param name="Ground">The one colour around the subject, where all that is seen is one solid rectangle; else null.</param>
/// <param name="GroundShare">How much of the rectangle that ground is, 0 to 1.</param>
internal sealed record Cutout((byte R, byte G, byte B)? Ground, double GroundShare)
{
    // Raised whenever it is taken in another way.
    private const int Layout = 1;

    // Less is a seam of the drawing; more leaves no subject.
    private const double LeastGround = 0.12, MostGround = 0.97;

    // As many of the base's as are looked at for what is usual in a place.
    private const int Asked = 5;

    private static readonly ConditionalWeakTable<FileFacts, Cutout> Known = [];

    private bool IsOnGround => Ground is not null && GroundShare is >= LeastGround and <= MostGround;

    /// <summary>
    /// The ground that should have been cut away, in a place whose pictures are cut out around their form; null where none is.
    /// </summary>
    public static Cutout? FindLost(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Facts.Picture is not { IsReadable: true }) return null;
        var rules = overlay.RulesFor(placement).Select(r => r.Rule).ToList();
        // Letters stand on a ground, which is theirs.
        if (!rules.Any(r => r is SomeAlphaRule or ClearBorderRule) || rules.Any(r => r is LetteringRule)) return null;
        if (Of(overlay, placement) is not { IsOnGround: true } cutout) return null;
        return GroundIsUsual(overlay, placement) ? null : cutout;
    }

    private static Cutout? Of(Overlay overlay, Placement placement)
    {
        if (Known.TryGetValue(placement.Facts, out var known)) return known;
        var content = placement.Layer.IsBase ? null : overlay.Pack.Tree.Find(placement.Path)?.Content;
        var key = $"cutout/{Layout}";
        var cutout = content?.FindLearned(key) is { } learned ? Read(learned) : null;
        if (cutout is null)
        {
            if (overlay.Decode(placement) is not { } picture) return null;
            cutout = Measure(picture);
            content?.Learn(key, () => Write(cutout));
        }

        Known.AddOrUpdate(placement.Facts, cutout);
        return cutout;
    }

    /// <summary>The picture that is replaced tells, else most of the base's in the place: signs may well have grounds.</summary>
    private static bool GroundIsUsual(Overlay overlay, Placement placement)
    {
        if (overlay.OfBase(placement.Path) is { Facts.Picture.IsReadable: true } own) return Of(overlay, own) is { IsOnGround: true };
        var others = overlay.Base.In(placement.Place)
            .Where(f => f.Facts.Picture is { IsReadable: true })
            .Take(Asked)
            .Select(f => overlay.OfBase(f.Path) is { } other ? Of(overlay, other) : null)
            .OfType<Cutout>()
            .ToList();
        return others.Count(o => o.IsOnGround) * 2 > others.Count;
    }

    private static Cutout Measure(RgbaPicture picture) =>
        Matte.BoxOf(picture) is { } box && Matte.Find(box) is { } ground
            ? new Cutout(ground, Matte.ShareOf(box, ground))
            : new Cutout(null, 0);

    private static byte[] Write(Cutout it)
    {
        using var bytes = new MemoryStream();
        using var writer = new BinaryWriter(bytes);
        writer.Write(it.Ground is { } ground ? (ground.R << 16) | (ground.G << 8) | ground.B : -1);
        writer.Write(it.GroundShare);
        writer.Flush();
        return bytes.ToArray();
    }

    private static Cutout? Read(byte[] learned)
    {
        if (learned.Length != sizeof(int) + sizeof(double)) return null;
        using var reader = new BinaryReader(new MemoryStream(learned));
        var ground = reader.ReadInt32();
        return new Cutout(ground < 0 ? null : ((byte)(ground >> 16), (byte)(ground >> 8), (byte)ground), reader.ReadDouble());
    }
}
