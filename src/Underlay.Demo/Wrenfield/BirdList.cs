using Underlay.Demo.Art;

namespace Underlay.Demo.Wrenfield;

/// <summary>A family of birds.</summary>
internal sealed record BirdFamily(string Code, string Name, BirdBuild Build);

/// <summary>A bird.</summary>
internal sealed record Bird(string Code, string NewCode, string Name, BirdFamily Family, string Region, int Number)
{
    /// <summary>Its code in a printing.</summary>
    public string CodeIn(string printing) => printing == "1" ? Code : NewCode;
}

/// <summary>The invented birds of Wrenfield: 40 families of ten, each of ten dresses.</summary>
internal static class BirdList
{
    private const int Renamed = 31;

    private static readonly string[] FamilyNames =
    [
        "Brackling", "Morrock", "Tarnock", "Whindle", "Sedgeling", "Cosselet", "Dapperling", "Ebbing", "Fennock", "Garrel",
        "Hallow", "Ibbet", "Jessock", "Kestling", "Lumock", "Marling", "Nettlewing", "Orrick",
        "Pibbet", "Quillet", "Rushlark", "Sallowfin", "Thrimble", "Umberling", "Vellet", "Wadrell", "Yaffling", "Zephlin",
        "Aldercock", "Bittling", "Chirrock", "Dunwing", "Eddercock", "Flaxbill", "Gorseling", "Hurdlet",
        "Inkcap", "Juddock", "Kelpling", "Loamet",
    ];

    private static readonly (string Name, uint Back, uint Breast, uint Wing, uint Mark, uint Bill, int Pattern, bool Spots)[] Dresses =
    [
        ("Ashen", 0x7E868C, 0xD8DADA, 0x5C646C, 0x2E3338, 0x4A4A4E, 0, false),
        ("Bronze", 0x8A5A2C, 0xD9A862, 0x5E3C1E, 0xF0DCA8, 0x3A2C20, 1, false),
        ("Cobalt", 0x2A5CA0, 0xE8E4D8, 0x1C3C70, 0xE8842E, 0x2A2A30, 2, false),
        ("Dusky", 0x4A4038, 0x8A7A68, 0x322A26, 0xC8B08A, 0xC89A3A, 3, false),
        ("Emerald", 0x2F7A4A, 0xEDE6A8, 0x1E5636, 0xC83A34, 0x3A3A30, 0, false),
        ("Fallow", 0xB89A66, 0xF2E6CC, 0x8A6E44, 0x6A4A2A, 0x8A6A4A, 1, true),
        ("Ginger", 0xC8662E, 0xF4E2CC, 0x8A4420, 0x2A2422, 0x4A3A30, 4, false),
        ("Hoary", 0xC4CCD0, 0xF4F4F0, 0x8E9AA2, 0x3A4A58, 0xE0A030, 1, false),
        ("Indigo", 0x3C3270, 0xB4A8D0, 0x28204E, 0xF0D040, 0x2A2A34, 2, false),
        ("Jasper", 0x9A3A34, 0xE8C8A8, 0x5A2A28, 0xF2F0E4, 0x30282A, 3, true),
    ];

    public static IReadOnlyList<(string Code, string Name)> Regions { get; } =
    [
        ("coast", "Coast"),
        ("fen", "Fen"),
        ("moor", "Moor"),
        ("wood", "Wood"),
        ("town", "Town"),
    ];

    public static IReadOnlyList<BirdFamily> Families { get; } =
    [
        .. FamilyNames.Select((name, i) => new BirdFamily(Short(name, 4), name + "s", BuildOf(i))),
    ];

    public static IReadOnlyList<Bird> All { get; } = MakeBirds();

    /// <summary>The dress of a bird in a plumage.</summary>
    public static BirdDress Dress(Bird bird, string plumage)
    {
        var d = Dresses[bird.Number % Dresses.Length];
        var dress = new BirdDress(
            Tint.Hex(d.Back),
            Tint.Hex(d.Breast),
            Tint.Hex(d.Wing),
            Tint.Hex(d.Mark),
            Tint.Hex(d.Bill),
            d.Pattern,
            d.Spots);
        Tint Pale(Tint tint, uint towards, double by) => Tint.Mix(tint, Tint.Hex(towards), by);
        return plumage switch
        {
            "winter" =>
                dress with
                {
                    Back = Pale(dress.Back, 0xC8C8C4, 0.5),
                    Breast = Pale(dress.Breast, 0xF2F2EE, 0.6),
                    Mark = Pale(dress.Mark, 0xB0B0AC, 0.5),
                },
            "young" =>
                dress with
                {
                    Back = Pale(dress.Back, 0x8A7858, 0.6),
                    Wing = Pale(dress.Wing, 0x6A5840, 0.6),
                    Mark = Pale(dress.Mark, 0x9A8A68, 0.6),
                    Spots = true,
                },
            _ => dress,
        };
    }

    private static List<Bird> MakeBirds()
    {
        var birds = new List<Bird>();
        var taken = new HashSet<string>(StringComparer.Ordinal);
        for (var f = 0; f < Families.Count; f++)
            for (var d = 0; d < Dresses.Length; d++)
            {
                var number = birds.Count;
                var code = Free(Short(Dresses[d].Name, 2) + Short(FamilyNames[f], 3), taken);
                birds.Add(
                    new Bird(
                        code,
                        code,
                        $"{Dresses[d].Name} {FamilyNames[f]}",
                        Families[f],
                        Regions[(f + d) % Regions.Count].Code,
                        number));
            }

        // Spread over the families, so that most of them are touched.
        for (var i = 0; i < Renamed; i++)
        {
            var at = i * 13;
            birds[at] = birds[at] with
            {
                NewCode = Free(Short(Dresses[at % Dresses.Length].Name, 3) + Short(FamilyNames[at / Dresses.Length], 2), taken),
            };
        }

        return birds;
    }

    private static string Short(string name, int letters) => name[..letters].ToLowerInvariant();

    private static string Free(string code, HashSet<string> taken)
    {
        for (var last = 'a'; !taken.Add(code); last++) code = code[..^1] + last;
        return code;
    }

    /// <summary>Forty builds from eight plans, each plan in five sizes of bill, tail and leg.</summary>
    private static BirdBuild BuildOf(int i)
    {
        BirdBuild[] plans =
        [
            new(0.20, 0.15, 0.35, 0.105, 0, 0.07, 0.03, 0.1, 0.14, 0, 0.06, 0),
            new(0.24, 0.10, 0.15, 0.08, 0.04, 0.10, 0.014, 0.05, 0.22, 0.5, 0.03, 0),
            new(0.19, 0.17, 0.75, 0.14, 0, 0.06, 0.045, 0.9, 0.12, 0, 0.03, 0.07),
            new(0.19, 0.12, 0.3, 0.075, 0.14, 0.17, 0.018, 0.12, 0.08, 0, 0.17, 0),
            new(0.23, 0.13, 0.05, 0.085, 0.06, 0.13, 0.028, -0.1, 0.07, 0, 0.02, 0),
            new(0.15, 0.12, 0.5, 0.095, 0, 0.05, 0.022, 0, 0.20, 0.2, 0.06, 0.09),
            new(0.22, 0.15, 0.55, 0.10, 0.02, 0.12, 0.05, 0.35, 0.18, 0, 0.04, 0),
            new(0.17, 0.10, 0.25, 0.08, 0, 0.21, 0.012, 0.5, 0.10, 0.6, 0.09, 0),
        ];
        var plan = plans[i % plans.Length];
        var step = i / plans.Length;
        return plan with
        {
            Bill = plan.Bill * (0.75 + (step * 0.17)),
            Tail = plan.Tail * (1.35 - (step * 0.16)),
            Legs = plan.Legs * (0.8 + (step * 0.12)),
            Crest = step is 1 or 4 ? 0.08 : plan.Crest,
            Head = plan.Head * (0.94 + (step % 3 * 0.06)),
        };
    }
}
