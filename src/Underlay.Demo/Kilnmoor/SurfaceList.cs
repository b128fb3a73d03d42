using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>One of the base's surfaces: its picture and what its descriptor says.</summary>
internal sealed record Surface(string Name, string MadeOf, string Edge, double Rough, string? Grain, Func<Raster> Paint)
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
        new("flagstone_grey", "stone", "opaque", 0.7, null, () => Grounds.Courses(Large, 11, 4, 3, 0.09, Grey, Tint.Hex(0x4A4A44))),
        new("flagstone_red", "stone", "opaque", 0.7, null, () => Grounds.Courses(Large, 12, 4, 3, 0.09, Red, Tint.Hex(0x4B3A33))),
        new("flagstone_mossy", "stone", "opaque", 0.8, "moss_bank", () => Grounds.Courses(Large, 13, 4, 3, 0.11, Grey, Tint.Hex(0x45483A), Tint.Hex(0x5C7A3A))),
        new("cobble_river", "stone", "opaque", 0.6, null, () => Grounds.Cobbles(Large, 21, 7, Palette.Of(0x4C5A62, 0x7C8C90, 0xBCC6C2), Tint.Hex(0x3C3A30))),
        new("cobble_dark", "stone", "opaque", 0.65, null, () => Grounds.Cobbles(Large, 22, 8, Palette.Of(0x2E3338, 0x4D545A, 0x767D80), Tint.Hex(0x24221F))),
        new("cobble_pale", "stone", "opaque", 0.6, null, () => Grounds.Cobbles(Large, 23, 6, Palette.Of(0x9C9484, 0xC2BBA8, 0xE4DFCF), Tint.Hex(0x6A6250))),
        new("gravel_path", "stone", "opaque", 0.9, null, () => Grounds.Cobbles(Large, 24, 15, Palette.Of(0x6B665C, 0x958E80, 0xC4BCA9), Tint.Hex(0x514A3E))),
        new("quay_stone", "stone", "opaque", 0.55, null, () => Grounds.Courses(Large, 25, 3, 2, 0.07, Palette.Of(0x44525A, 0x6C7D84, 0x98A7A8), Tint.Hex(0x2C3638))),
        new("slate_roof", "slate", "opaque", 0.5, null, () => Grounds.Scales(Large, 26, 8, 6, 0.1, Palette.Of(0x2F3A48, 0x4C5A6C, 0x76869A), 0.05)),
        new("dry_wall", "stone", "opaque", 0.9, null, () => Grounds.Courses(Large, 27, 7, 4, 0.13, Palette.Of(0x6A6558, 0x928C7A, 0xBBB49E), Tint.Hex(0x2F2C26))),
        new("clay_bank", "red_clay", "opaque", 0.8, "clay_cracked", () => Grounds.Earth(Large, 31, Palette.Of(0x7A4128, 0xA8623E, 0xCF8E63), 0.5)),
        new("clay_cracked", "red_clay", "opaque", 0.85, null, () => Grounds.Cracked(Large, 32, 6, Palette.Of(0x8A5638, 0xB98058, 0xDDB088))),
        new("clay_grey", "grey_clay", "opaque", 0.8, null, () => Grounds.Cracked(Large, 33, 4, Palette.Of(0x6C6E6A, 0x94968F, 0xBDBEB4))),
        new("earth_packed", "earth", "opaque", 0.9, null, () => Grounds.Earth(Large, 34, Palette.Of(0x54402C, 0x7C6144, 0xA38661), 0.45, 0.35)),
        new("mud_wet", "earth", "opaque", 0.25, null, () => Grounds.Earth(Large, 35, Palette.Of(0x35291E, 0x54422F, 0x86705A), 0.25)),
        new("loam_dark", "earth", "opaque", 0.95, null, () => Grounds.Earth(Large, 36, Palette.Of(0x2A2119, 0x44362A, 0x68543F), 0.7, 0.15)),
        new("sand_dry", "sand", "opaque", 0.95, null, () => Grounds.Earth(Large, 37, Palette.Of(0xB89A66, 0xD6BC86, 0xF0DDB0), 0.6)),
        new("sand_rippled", "sand", "opaque", 0.9, null, () => Grounds.Ripples(Large, 38, Palette.Of(0xA88C5C, 0xCDB380, 0xEEDBAE))),
        new("ash_bed", "ash", "opaque", 1, null, () => Grounds.Earth(Large, 39, Palette.Of(0x4B4A4A, 0x777473, 0xB0ACA8), 0.8, 0.2)) { Ember = 0.6 },
        new("brick_kiln", "brick", "opaque", 0.8, null, () => Grounds.Courses(Large, 41, 8, 4, 0.12, Palette.Of(0x7B3022, 0xA84B33, 0xCB7A56), Tint.Hex(0xA89B88))) { Ember = 0.3 },
        new("brick_pale", "brick", "opaque", 0.8, null, () => Grounds.Courses(Large, 42, 8, 4, 0.12, Palette.Of(0xA98A64, 0xC9AD86, 0xE6D3B0), Tint.Hex(0x8A8274))),
        new("brick_sooty", "brick", "opaque", 0.85, "ash_bed", () => Grounds.Courses(Large, 43, 8, 4, 0.12, Palette.Of(0x2B1D1A, 0x4A302A, 0x77503F), Tint.Hex(0x3A3734))) { Ember = 0.8 },
        new("plank_oak", "oak", "opaque", 0.6, null, () => Grounds.Planks(Large, 51, 5, Oak)),
        new("plank_grey", "oak", "opaque", 0.75, null, () => Grounds.Planks(Large, 52, 6, Palette.Of(0x5B5A54, 0x84837A, 0xB0AEA2))),
        new("plank_tarred", "oak", "opaque", 0.35, null, () => Grounds.Planks(Large, 53, 5, Palette.Of(0x191716, 0x2E2A27, 0x4C453F))),
        new("shingle_roof", "oak", "opaque", 0.8, null, () => Grounds.Scales(Large, 54, 8, 7, 0.05, Palette.Of(0x5A4A38, 0x84705A, 0xAA967C), 0)),
        new("wicker_fence", "reed", "mask", 0.8, null, () => Grounds.Weave(Small, 55, 8, 4, Oak, holes: true)),
        new("straw_loose", "straw", "mask", 0.9, null, () => Grounds.Straw(Large, 61, Palette.Of(0x9A7B32, 0xCDAA55, 0xF0D98C), 5.5, 0.72)),
        new("thatch_roof", "straw", "opaque", 0.95, null, () => Grounds.Straw(Large, 62, Palette.Of(0x6E5526, 0xA98A44, 0xD8BB70), 0.5, 1)),
        new("reed_mat", "reed", "opaque", 0.8, null, () => Grounds.Weave(Large, 63, 10, 10, Reed, holes: false)),
        new("moss_bank", "moss", "opaque", 0.9, null, () => Grounds.Green(Large, 71, Palette.Of(0x2F4A22, 0x55763A, 0x8DA85A), 1.1)),
        new("grass_moor", "grass", "opaque", 0.9, null, () => Grounds.Green(Large, 72, Palette.Of(0x3C5227, 0x6B8040, 0xA7AE62), 0.4)),
        new("heather_moor", "heather", "opaque", 0.9, "grass_moor", () => Grounds.Green(Large, 73, Palette.Of(0x37402A, 0x5C6540, 0x8A8C5C), 0.7, Tint.Hex(0x9A5A94))),
        new("water_still", "water", "blend", 0.05, null, () => Grounds.Water(Large, 81, Palette.Of(0x1E4A52, 0x3A7A80, 0xA8D8D0), 1, 0.55)),
        new("water_stream", "water", "blend", 0.1, null, () => Grounds.Water(Large, 82, Palette.Of(0x2A5A6C, 0x5A94A0, 0xDDF0EA), 2.2, 0.45)),
        new("snow_trodden", "snow", "opaque", 0.6, null, () => Grounds.Earth(Large, 83, Palette.Of(0xB4C0CC, 0xD8E0E6, 0xF8FAFA), 0.35)),
        new("tile_roof", "tile", "opaque", 0.55, null, () => Grounds.Scales(Large, 84, 7, 6, 0.9, Palette.Of(0x8A3C26, 0xB8583A, 0xDC8A62), 0.05)),
        new("tile_glazed", "tile", "opaque", 0.15, null, () => Grounds.Scales(Large, 85, 7, 6, 0.9, Palette.Of(0x1E5A52, 0x2F8272, 0x6ABFA4), 0.45)),
    ];

    /// <summary>What some surfaces were called until 3.1.</summary>
    public static IReadOnlyDictionary<string, string> OldNames { get; } = new Dictionary<string, string>(StringComparer.Ordinal)
    {
        ["flagstone_grey"] = "flagstone",
        ["flagstone_red"] = "flagstone_rust",
        ["cobble_river"] = "cobble",
        ["cobble_dark"] = "cobble_black",
        ["plank_oak"] = "planks",
        ["brick_kiln"] = "brick",
    };

    /// <summary>Which surfaces lie side by side in the villages.</summary>
    public static IReadOnlyList<(string One, string Other)> Neighbours { get; } =
    [
        ("flagstone_grey", "flagstone_mossy"), ("flagstone_grey", "flagstone_red"), ("cobble_river", "gravel_path"), ("cobble_dark", "quay_stone"),
        ("sand_dry", "sand_rippled"), ("clay_bank", "clay_cracked"), ("earth_packed", "gravel_path"), ("mud_wet", "loam_dark"), ("brick_kiln", "brick_sooty"),
        ("grass_moor", "heather_moor"), ("grass_moor", "moss_bank"), ("plank_oak", "plank_grey"),
    ];

    /// <summary>A name as an edition has it.</summary>
    public static string NameIn(string name, string edition) => edition == "4.0" ? name : OldNames.GetValueOrDefault(name, name);
}
