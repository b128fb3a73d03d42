using System.Text.RegularExpressions;

namespace Kilnmoor;

/// <summary>What the game reads at a path.</summary>
internal enum PlaceKind
{
    None,
    Surface,
    Descriptor,
    SurfaceEmber,
    Shelf,
    Skin,
    SkinDds,
    Mask,
    Ware,
    WareEmber,
    Stall,
    Shape,
    Glaze,
    Seal,
    Table,
    Frieze,
    Awning,
    Board,
    Flame,
    FlameTiming,
    Scene,
    Recipe,
    Techniques,
    Plan,
    Tower,
    Texts,
    Sound,
    SoundTable,
}

/// <summary>A place, and the names that a path has in it.</summary>
/// <param name="Kind">The place.</param>
/// <param name="Name">The name, or for sets and series the name of the whole.</param>
/// <param name="Member">The member of a set, the number in a series, else empty.</param>
internal sealed record Place(PlaceKind Kind, string Name, string Member = "")
{
    private static readonly (PlaceKind Kind, Regex Path)[] Patterns =
    [
        .. new (PlaceKind, string)[]
        {
            (PlaceKind.Surface, @"art/surfaces/(?<n>[a-z0-9_]+)\.png"),
            (PlaceKind.Descriptor, @"art/surfaces/(?<n>[a-z0-9_]+)\.surface\.json"),
            (PlaceKind.SurfaceEmber, @"art/embers/surfaces/(?<n>[a-z0-9_]+)\.png"),
            (PlaceKind.WareEmber, @"art/embers/wares/(?<n>[a-z0-9_]+)\.png"),
            (PlaceKind.Shelf, @"wares/(?<n>[a-z0-9_]+)/shelf\.png"),
            (PlaceKind.Skin, @"wares/(?<n>[a-z0-9_]+)/skin\.png"),
            (PlaceKind.SkinDds, @"wares/(?<n>[a-z0-9_]+)/skin\.dds"),
            (PlaceKind.Mask, @"wares/(?<n>[a-z0-9_]+)/mask\.png"),
            (PlaceKind.Ware, @"wares/(?<n>[a-z0-9_]+)/ware\.json"),
            (PlaceKind.Stall, @"art/stalls/(?<n>[0-9]{3})\.png"),
            (PlaceKind.Shape, @"art/shapes/(?<n>[a-z0-9_]+)\.json"),
            (PlaceKind.Glaze, @"entries/glazes/(?<n>[a-z0-9_]+)\.json"),
            (PlaceKind.Seal, @"art/seals/(?<n>[a-z0-9_]+)\.png"),
            (PlaceKind.Table, @"tables/(?<n>seals|materials|stations|almanac)\.csv"),
            (PlaceKind.Frieze, @"art/friezes/(?<n>[a-z0-9_]+)\.png"),
            (PlaceKind.Awning, @"art/awnings/(?<n>[a-z0-9_]+)/(?<m>dawn|noon|lamp)\.png"),
            (PlaceKind.Board, @"art/boards/(?<n>[a-z0-9_]+)/(?<m>64|96|128|192)\.png"),
            (PlaceKind.Flame, @"art/flames/(?<n>[a-z0-9_]+)/(?<m>[0-9]{2})\.png"),
            (PlaceKind.FlameTiming, @"art/flames/(?<n>[a-z0-9_]+)/timing\.csv"),
            (PlaceKind.Scene, @"art/scenes/(?<n>[a-z0-9_]+)\.png"),
            (PlaceKind.Recipe, @"entries/recipes/(?<n>[a-z0-9_]+)\.json"),
            (PlaceKind.Techniques, @"entries/techniques\.json"),
            (PlaceKind.Plan, @"entries/plans/(?<n>[a-z0-9_]+)\.json"),
            (PlaceKind.Texts, @"texts/(?<n>[a-z0-9_]+)\.csv"),
            (PlaceKind.Sound, @"audio/(?<n>[a-z0-9_]+)/(?<m>[a-z0-9_]+)\.wav"),
            (PlaceKind.SoundTable, @"audio/(?<n>[a-z0-9_]+)\.csv"),
            (PlaceKind.Tower, @"entries/towers/(?<n>[a-z0-9_]+)\.json"),
        }.Select(p => (p.Item1, new Regex($@"\A{p.Item2}\z", RegexOptions.CultureInvariant | RegexOptions.Compiled))),
    ];

    /// <summary>The place of a path.</summary>
    public static Place Of(string path)
    {
        foreach (var (kind, pattern) in Patterns)
            if (pattern.Match(path) is { Success: true } match) return new Place(kind, match.Groups["n"].Value, match.Groups["m"].Value);
        return new Place(PlaceKind.None, "");
    }

    /// <summary>True where the game of an edition looks.</summary>
    public bool IsIn(string edition) =>
        Kind is not (PlaceKind.SurfaceEmber or PlaceKind.WareEmber or PlaceKind.Tower) || Editions.Order(edition) >= Editions.Order("3.1");
}
