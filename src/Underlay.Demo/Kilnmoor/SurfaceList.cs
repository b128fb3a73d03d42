using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>One of the base's surfaces: its picture and what its descriptor says.</summary>
internal sealed record Surface(string Name, string MadeOf, string Edge, double Rough, string? Under, Func<Raster> Paint)
{
    /// <summary>How strongly it glows, from edition 3.1 on; 0 for cold ground.</summary>
    public double Ember { get; init; }
}

/// <summary>The surfaces of Kilnmoor by their names of 4.0, and which of them meet.</summary>
internal static class SurfaceList
{
    private const int Small = 64;
    private const int Large = 128;

    private static readonly Palette Grey = Palette.Of(0x565B5E, 0x83898A, 0xB4B8B3);
    private static readonly Palette Red = Palette.Of(0x6B3A2E, 0x9A5C48, 0xC48A70);
    private static readonly Palette Oak = Palette.Of(0x5A3F25, 0x8A6539, 0xB98F58);
    private static readonly Palette Reed = Palette.Of(0x6E5A2C, 0xA98C46, 0xD9BF74);

    public static IReadOnlyList<Surface> All { get; } =
    [
        new("flagstone_grey", "stone", "solid", 0.7, null, () => Grounds.Courses(Large, 11, 4, 3, 0.09, Grey, Tint.Hex(0x4A4A44))),
        new("flagstone_red", "stone", "solid", 0.7, null, () => Grounds.Courses(Large, 12, 4, 3, 0.09, Red, Tint.Hex(0x4B3A33))),
        new(
            "flagstone_lichened", "stone", "solid", 0.8, "moss_bank",
            () => Grounds.Courses(Large, 13, 4, 3, 0.11, Grey, Tint.Hex(0x45483A), Tint.Hex(0x8C9460))),
        new(
            "setts_quay", "stone", "solid", 0.6, null,
            () => Grounds.Courses(Large, 21, 8, 6, 0.14, Palette.Of(0x4C5A62, 0x7C8C90, 0xBCC6C2), Tint.Hex(0x3C3A30))),
        new(
            "setts_dark", "stone", "solid", 0.65, null,
            () => Grounds.Courses(Large, 22, 10, 7, 0.15, Palette.Of(0x2E3338, 0x4D545A, 0x767D80), Tint.Hex(0x24221F))),
        new(
            "setts_pale", "stone", "solid", 0.6, null,
            () => Grounds.Courses(Large, 23, 6, 5, 0.13, Palette.Of(0x9C9484, 0xC2BBA8, 0xE4DFCF), Tint.Hex(0x6A6250))),
        new(
            "gravel_path", "stone", "solid", 0.9, null,
            () => Grounds.Pebbles(Large, 24, 15, Palette.Of(0x6B665C, 0x958E80, 0xC4BCA9), Tint.Hex(0x514A3E))),
        new(
            "quay_stone", "stone", "solid", 0.55, null,
            () => Grounds.Courses(Large, 25, 4, 2, 0.07, Palette.Of(0x44525A, 0x6C7D84, 0x98A7A8), Tint.Hex(0x2C3638))),
        new(
            "slate_roof", "slate", "solid", 0.5, null,
            () => Grounds.Scales(Large, 26, 8, 6, 0.1, Palette.Of(0x2F3A48, 0x4C5A6C, 0x76869A), 0.05)),
        new("saggar_wall", "stoneware", "solid", 0.9, null, () => Yard.Saggars(Large, 27, 4, 3, Palette.Of(0x7A5E42, 0xAE8C66, 0xD8BE98))),
        new(
            "kiln_shelf_washed", "stoneware", "solid", 0.85, null,
            () => Yard.KilnShelf(Large, 28, Palette.Of(0xBDB6A6, 0xDAD5C8, 0xF4F1E8), Tint.Hex(0x9A7E62))),
        new("plaster_trowelled", "plaster", "solid", 0.9, null, () => Yard.Plaster(Large, 29, Palette.Of(0xB8A98C, 0xD6CAB0, 0xEFE7D3))),
        new(
            "clay_bank", "red_clay", "solid", 0.8, "clay_cracked",
            () => Grounds.Earth(Large, 31, Palette.Of(0x7A4128, 0xA8623E, 0xCF8E63), 0.5)),
        new(
            "clay_cracked", "red_clay", "solid", 0.85, null,
            () => Grounds.Cracked(Large, 32, 6, Palette.Of(0x8A5638, 0xB98058, 0xDDB088))),
        new("clay_raked", "grey_clay", "solid", 0.85, null, () => Yard.Raked(Large, 33, Palette.Of(0x66665E, 0x93928A, 0xC0BEB2))),
        new(
            "sherd_yard",
            "sherds",
            "solid",
            0.7,
            null,
            () =>
                Yard.Sherds(
                    Large,
                    34,
                    Palette.Of(0x4A3C2E, 0x705C46, 0x98826A),
                    Tint.Hex(0x2F6E63),
                    Tint.Hex(0xE8DFC6),
                    Tint.Hex(0x35608F),
                    Tint.Hex(0xD79A2E),
                    Tint.Hex(0x7A3E2A))),
        new("slip_settling", "white_clay", "solid", 0.15, null, () => Yard.Slip(Large, 35, Palette.Of(0x9C8A70, 0xC2B294, 0xE2D6BC))),
        new("sand_dry", "sand", "solid", 0.95, null, () => Grounds.Earth(Large, 37, Palette.Of(0xB89A66, 0xD6BC86, 0xF0DDB0), 0.6)),
        new("sand_rippled", "sand", "solid", 0.9, null, () => Grounds.Ripples(Large, 38, Palette.Of(0xA88C5C, 0xCDB380, 0xEEDBAE))),
        new("ash_bed", "ash", "solid", 1, null, () => Grounds.Earth(Large, 39, Palette.Of(0x4B4A4A, 0x777473, 0xB0ACA8), 0.8, 0.2))
        { Ember = 0.6 },
        new(
            "firebrick_buff", "brick", "solid", 0.8, null,
            () => Grounds.Courses(Large, 41, 8, 4, 0.12, Palette.Of(0xA9844E, 0xCFAE78, 0xEBD6A8), Tint.Hex(0x8A7458)))
        { Ember = 0.3 },
        new(
            "firebrick_ashglazed", "brick", "solid", 0.3, null,
            () => Yard.AshGlazed(Large, 42, 8, 4, Palette.Of(0x8A6A44, 0xB08E60, 0xD6BC8C), Palette.Of(0x3A4A2A, 0x74824A, 0xB8BE86))),
        new(
            "firebrick_sooty", "brick", "solid", 0.85, "ash_bed",
            () => Grounds.Courses(Large, 43, 8, 4, 0.12, Palette.Of(0x2B1D1A, 0x4A302A, 0x77503F), Tint.Hex(0x3A3734)))
        { Ember = 0.8 },
        new("deal_limed", "oak", "solid", 0.6, null, () => Grounds.Boards(Large, 51, 4, Palette.Of(0xA8987C, 0xCDBFA4, 0xE8DEC8))),
        new("deal_grey", "oak", "solid", 0.75, null, () => Grounds.Boards(Large, 52, 5, Palette.Of(0x5B5A54, 0x84837A, 0xB0AEA2))),
        new(
            "shingle_tarred", "oak", "solid", 0.35, null,
            () => Grounds.Scales(Large, 53, 8, 7, 0.04, Palette.Of(0x191716, 0x2E2A27, 0x4C453F), 0.16)),
        new("wicker_fence", "reed", "cut", 0.8, null, () => Grounds.Weave(Small, 55, 8, 4, Oak, holes: true)),
        new("drying_reed", "reed", "solid", 0.75, null, () => Yard.DryingRack(Large, 56, 14, Reed, Tint.Hex(0x6A4A2C))),
        new("straw_loose", "straw", "cut", 0.9, null, () => Grounds.Straw(Large, 61, Palette.Of(0x9A7B32, 0xCDAA55, 0xF0D98C), 5.5, 0.72)),
        new("thatch_roof", "straw", "solid", 0.95, null, () => Grounds.Straw(Large, 62, Palette.Of(0x6E5526, 0xA98A44, 0xD8BB70), 0.5, 1)),
        new("reed_mat", "reed", "solid", 0.8, null, () => Grounds.Weave(Large, 63, 10, 10, Reed, holes: false)),
        new(
            "moss_bank", "moss", "solid", 0.9, null,
            () => Grounds.Moss(Large, 71, Palette.Of(0x2A3320, 0x55603A, 0x939468), Tint.Hex(0x7A7466))),
        new(
            "heather_moor", "heather", "solid", 0.9, "moss_bank",
            () => Grounds.Green(Large, 73, Palette.Of(0x37402A, 0x5C6540, 0x8A8C5C), 0.7, Tint.Hex(0x9A5A94))),
        new("water_pond", "water", "soft", 0.05, null, () => Grounds.Water(Large, 81, Palette.Of(0x1E4A52, 0x3A7A80, 0xA8D8D0), 1, 0.55)),
        new("water_race", "water", "soft", 0.1, null, () => Grounds.Water(Large, 82, Palette.Of(0x2A5A6C, 0x5A94A0, 0xDDF0EA), 2.2, 0.45)),
        new(
            "tile_roof", "tile", "solid", 0.55, null,
            () => Grounds.Scales(Large, 84, 7, 6, 0.9, Palette.Of(0x8A3C26, 0xB8583A, 0xDC8A62), 0.05)),
        new(
            "tile_glazed", "tile", "solid", 0.15, null,
            () => Grounds.Scales(Large, 85, 7, 6, 0.9, Palette.Of(0x1E5A52, 0x2F8272, 0x6ABFA4), 0.45)),
        new(
            "floor_slip_trailed", "tile", "solid", 0.5, null,
            () => Floors.SlipTrailed(Large, 91, 2, Palette.Of(0x6A2E1E, 0x8E4630, 0xB06A4A), Tint.Hex(0xF0E2C0))),
        new(
            "floor_encaustic", "tile", "solid", 0.4, null,
            () => Floors.Encaustic(Large, 92, 4, Palette.Of(0x6E3222, 0x92482F, 0xAE6444), Tint.Hex(0xE6D3A4))),
        new("floor_hexagon", "tile", "solid", 0.5, null, () => Floors.Hexagons(Large, 93, 6, Palette.Of(0x8A4A30, 0xB87A54, 0xDDB88C))),
        new(
            "sgraffito_tile", "tile", "solid", 0.35, null,
            () => Floors.Sgraffito(Large, 94, 2, Palette.Of(0x1F2E3A, 0x2F4452, 0x4A6272), Tint.Hex(0xE9DCC0))),
    ];

    /// <summary>What some surfaces were called until 3.1.</summary>
    public static IReadOnlyDictionary<string, string> OldNames { get; } = new Dictionary<string, string>(StringComparer.Ordinal)
    {
        ["flagstone_grey"] = "flagstone",
        ["flagstone_red"] = "flagstone_rust",
        ["setts_quay"] = "setts",
        ["setts_dark"] = "setts_black",
        ["deal_limed"] = "deal",
        ["firebrick_buff"] = "firebrick",
    };

    /// <summary>Which surfaces lie side by side in the villages.</summary>
    public static IReadOnlyList<(string One, string Other)> Neighbours { get; } =
    [
        (
            "flagstone_grey",
            "flagstone_lichened"), ("flagstone_grey", "flagstone_red"), ("setts_quay", "gravel_path"), ("setts_dark", "quay_stone"),
        ("sand_dry", "sand_rippled"), ("clay_bank", "clay_cracked"), ("clay_raked", "sherd_yard"),
        ("slip_settling", "clay_raked"), ("firebrick_buff", "firebrick_sooty"), ("floor_slip_trailed", "floor_hexagon"),
        ("heather_moor", "moss_bank"), ("deal_limed", "deal_grey"),
    ];

    /// <summary>A name as an edition has it.</summary>
    public static string NameIn(string name, string edition) => edition == "4.0" ? name : OldNames.GetValueOrDefault(name, name);
}
