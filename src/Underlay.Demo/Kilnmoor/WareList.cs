using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>One of the base's wares.</summary>
internal sealed record Ware(
    string Name,
    PotShape Shape,
    string MadeOf,
    int Price,
    (int Width, int Height) Skin,
    Palette Clay,
    Tint Slip,
    GlazeLook Glaze,
    int Seed)
{
    /// <summary>The glaze's name; null for wares that are sold raw.</summary>
    public string? GlazeName { get; init; }

    /// <summary>The ware whose fields it takes over, or null.</summary>
    public string? Like { get; init; }

    /// <summary>Its number at the stall, or null.</summary>
    public string? Stall { get; init; }

    /// <summary>How strongly it glows when fresh from the kiln, from edition 3.1 on.</summary>
    public double Ember { get; init; }

    /// <summary>True for wares that left with 4.0.</summary>
    public bool Left { get; init; }

    /// <summary>True where 4.0 has its skin as DDS.</summary>
    public bool AsDds { get; init; }
}

/// <summary>The shapes, wares and glazes of Kilnmoor.</summary>
internal static class WareList
{
    private static readonly Palette RedClay = Palette.Of(0x7E4128, 0xA85F3C, 0xCB8558);
    private static readonly Palette GreyClay = Palette.Of(0x6C6A62, 0x949186, 0xB9B5A6);
    private static readonly Palette WhiteClay = Palette.Of(0xB5A88E, 0xD6CBB2, 0xEFE7D2);
    private static readonly Tint Cream = Tint.Hex(0xF1EBDA);
    private static readonly Tint Iron = Tint.Hex(0x3E2A22);

    public static PotShape Jug { get; } = new(
        "jug",
        [(0, 0.3), (0.08, 0.34), (0.38, 0.56), (0.66, 0.4), (0.82, 0.27), (1, 0.36)],
        0.94,
        (0.66, 0.25, 0.34),
        Spout: true);

    public static PotShape Jar { get; } = new("jar", [(0, 0.34), (0.1, 0.4), (0.5, 0.64), (0.84, 0.5), (0.92, 0.4), (1, 0.46)], 0.86);

    public static PotShape Bowl { get; } = new("bowl", [(0, 0.3), (0.12, 0.28), (0.4, 0.62), (0.8, 0.84), (1, 0.9)], 0.5);

    public static PotShape Plate { get; } = new("plate", [(0, 0.42), (0.3, 0.4), (0.6, 0.8), (1, 0.97)], 0.2);

    public static PotShape Cup { get; } = new("cup", [(0, 0.28), (0.1, 0.26), (0.3, 0.42), (1, 0.46)], 0.58, (0.55, 0.36, 0.3));

    public static PotShape Bottle { get; } = new(
        "bottle",
        [(0, 0.3), (0.08, 0.36), (0.3, 0.42), (0.52, 0.3), (0.66, 0.13), (0.94, 0.11), (1, 0.16)],
        1);

    public static PotShape Vase { get; } = new("vase", [(0, 0.26), (0.1, 0.22), (0.4, 0.36), (0.62, 0.46), (0.8, 0.24), (1, 0.42)], 0.98);

    public static PotShape Crock { get; } = new("crock", [(0, 0.5), (0.06, 0.54), (0.86, 0.58), (0.92, 0.62), (1, 0.6)], 0.74);

    public static PotShape Basin { get; } = new("basin", [(0, 0.46), (0.1, 0.48), (0.7, 0.86), (0.9, 0.95), (1, 0.97)], 0.36);

    public static PotShape Beaker { get; } = new("beaker", [(0, 0.26), (0.08, 0.28), (0.9, 0.4), (1, 0.44)], 0.72);

    public static PotShape Pitcher { get; } = new(
        "pitcher",
        [(0, 0.36), (0.1, 0.4), (0.3, 0.44), (0.74, 0.3), (1, 0.32)],
        1,
        (0.62, 0.28, 0.4),
        Spout: true);

    public static PotShape LiddedPot { get; } = new(
        "lidded_pot",
        [(0, 0.36), (0.1, 0.4), (0.45, 0.66), (0.9, 0.58), (1, 0.54)],
        0.66,
        Knob: true);

    public static IReadOnlyList<PotShape> Shapes { get; } =
    [
        Jug,
        Jar,
        Bowl,
        Plate,
        Cup,
        Bottle,
        Vase,
        Crock,
        Basin,
        Beaker,
        Pitcher,
        LiddedPot,
    ];

    public static IReadOnlyList<Ware> All { get; } =
    [
        new("water_jug", Jug, "red_clay", 14, (128, 64), RedClay, Cream, Glaze(0xB5673E, 0xF0E9D8, 0.5, 0.9), 301)
        { GlazeName = "cream_slip", Stall = "001" },
        new("oil_jar", Jar, "red_clay", 18, (128, 64), RedClay, Iron, Glaze(0x6A7A34, 0x33471E, 0.3, 0.7), 302)
        { GlazeName = "olive", Stall = "002" },
        new("broth_bowl", Bowl, "stoneware", 7, (128, 64), GreyClay, Iron, Glaze(0x8C9AA0, 0x3B5B7A, 0.6, 0.8), 303)
        { GlazeName = "ash_blue", Stall = "003", Ember = 0.4 },
        new("bread_plate", Plate, "white_clay", 6, (128, 64), WhiteClay, Iron, Glaze(0xE8DFC6, 0x4F7F96, 0.4, 0.4), 304)
        { GlazeName = "milk", Stall = "004" },
        new("tea_cup", Cup, "white_clay", 5, (64, 64), WhiteClay, Iron, Glaze(0xDDE6DC, 0x7FB09A, 0.9, 0.7), 305)
        { GlazeName = "celadon", Stall = "005" },
        new("cider_bottle", Bottle, "stoneware", 11, (128, 128), GreyClay, Cream, Glaze(0x7A5A32, 0x2E2018, 0, 1), 306)
        { GlazeName = "iron_brown", Stall = "006", AsDds = true },
        new("reed_vase", Vase, "white_clay", 22, (128, 128), WhiteClay, Iron, Glaze(0x9EC2B4, 0x2F6E63, 0.8, 1), 307)
        { GlazeName = "reed_green", Stall = "007", AsDds = true },
        new("salt_crock", Crock, "stoneware", 16, (128, 64), GreyClay, Iron, Glaze(0xC9C0A8, 0x5C6F86, 0, 0.6), 308)
        { GlazeName = "salt", Stall = "008", Ember = 0.7 },
        new("wash_basin", Basin, "white_clay", 15, (192, 64), WhiteClay, Iron, Glaze(0xF0ECE0, 0x35608F, 0.3, 0.7), 309)
        { GlazeName = "milk", Stall = "009" },
        new("ale_beaker", Beaker, "red_clay", 4, (64, 64), RedClay, Cream, Glaze(0x8A3E26, 0xD9A441, 0, 0.8), 310)
        { GlazeName = "amber", Stall = "010", Ember = 0.5 },
        new("milk_pitcher", Pitcher, "white_clay", 13, (128, 128), WhiteClay, Iron, Glaze(0xEDE2C4, 0xC28A3A, 0.5, 0.6), 311)
        { GlazeName = "milk", Stall = "011", Like = "water_jug" },
        new("honey_pot", LiddedPot, "red_clay", 12, (128, 64), RedClay, Cream, Glaze(0xD79A2E, 0x7A3E12, 0.2, 1), 312)
        { GlazeName = "amber", Stall = "012", Like = "milk_pitcher" },
        new("ink_well", Beaker, "red_clay", 3, (64, 64), RedClay, Cream, Glaze(0x26303E, 0x59708A, 0, 0.5), 313)
        { GlazeName = "ash_blue", Stall = "013", Left = true },
        new("butter_dish", Plate, "white_clay", 6, (128, 64), WhiteClay, Iron, Glaze(0xF0E2B0, 0xC9A24A, 0.2, 0.5), 314)
        { GlazeName = "amber", Stall = "014", Left = true },
    ];

    /// <summary>What two wares were called until 3.1.</summary>
    public static IReadOnlyDictionary<string, string> OldNames { get; } = new Dictionary<string, string>(StringComparer.Ordinal)
    {
        ["ale_beaker"] = "ale_tot",
        ["honey_pot"] = "honey_crock",
    };

    /// <summary>A ware's name as an edition has it.</summary>
    public static string NameIn(string name, string edition) => edition == "4.0" ? name : OldNames.GetValueOrDefault(name, name);

    /// <summary>The glazes: name, body and rim.</summary>
    public static IReadOnlyList<(string Name, string Body, string Rim)> Glazes { get; } =
    [
        ("cream_slip", "#b5673e", "#f0e9d8"), ("olive", "#6a7a34", "#33471e"), ("ash_blue", "#8c9aa0", "#3b5b7a"),
        ("milk", "#ede2c4", "#c28a3a"), ("celadon", "#dde6dc", "#7fb09a"),
        ("iron_brown", "#7a5a32", "#2e2018"), ("reed_green", "#9ec2b4", "#2f6e63"), ("salt", "#c9c0a8", "#5c6f86"),
        ("amber", "#d79a2e", "#7a3e12"),
    ];

    private static GlazeLook Glaze(uint body, uint rim, double crackle, double drips) => new(Tint.Hex(body), Tint.Hex(rim), crackle, drips);
}
