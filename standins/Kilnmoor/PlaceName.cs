using System.Text.RegularExpressions;

namespace Kilnmoor;

/// <summary>What the game reads at a path.</summary>
public enum PlaceKind
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>The picture of a surface.</summary>
    Surface,

    /// <summary>The descriptor of a surface.</summary>
    Descriptor,

    /// <summary>A ware's picture on the shelf.</summary>
    Shelf,

    /// <summary>A ware's skin.</summary>
    Skin,

    /// <summary>A ware's glaze mask.</summary>
    Mask,

    /// <summary>A ware's entry.</summary>
    Ware,
}

/// <summary>Tells places by their paths.</summary>
public static partial class PlaceName
{
    /// <summary>The place that a path lies in, and the name in the path.</summary>
    public static (PlaceKind Kind, string Name) Of(string path)
    {
        var surface = SurfacePath().Match(path);
        if (surface.Success) return (surface.Groups[2].Value == ".png" ? PlaceKind.Surface : PlaceKind.Descriptor, surface.Groups[1].Value);
        var ware = WarePath().Match(path);
        if (!ware.Success) return (PlaceKind.None, "");
        var kind = ware.Groups[2].Value switch
        {
            "shelf.png" => PlaceKind.Shelf,
            "skin.png" => PlaceKind.Skin,
            "mask.png" => PlaceKind.Mask,
            _ => PlaceKind.Ware,
        };
        return (kind, ware.Groups[1].Value);
    }

    [GeneratedRegex(@"\Aart/surfaces/([a-z0-9_]+)(\.png|\.surface\.json)\z", RegexOptions.CultureInvariant)]
    private static partial Regex SurfacePath();

    [GeneratedRegex(@"\Awares/([a-z0-9_]+)/(shelf\.png|skin\.png|mask\.png|ware\.json)\z", RegexOptions.CultureInvariant)]
    private static partial Regex WarePath();
}
