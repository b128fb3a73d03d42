using Underlay.Core.Packs;

namespace Underlay.Core.Images;

/// <summary>What a path says of the picture there: packs hold pictures in two formats, which their endings tell apart.</summary>
public static class PicturePath
{
    /// <summary>True where pictures are kept as DDS.</summary>
    public static bool IsDds(PackPath path) => EndsWith(path, ".dds");

    /// <summary>True where a picture is kept, in either format.</summary>
    public static bool IsPicture(PackPath path) => EndsWith(path, ".png") || IsDds(path);

    private static bool EndsWith(PackPath path, string ending) => path.Value.EndsWith(ending, StringComparison.OrdinalIgnoreCase);
}
