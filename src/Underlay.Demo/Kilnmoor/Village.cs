using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>The markets, kilns, boards, seals and friezes of Kilnmoor.</summary>
internal static class Village
{
    public static IReadOnlyList<(string Code, string Name, Outlook View, Tint One, Tint Other, int Stripes)> Markets { get; } =
    [
        (
            "quay",
            "Quay market",
            new Outlook(41, Tint.Hex(0x6F9AB8), Tint.Hex(0xE8DCC4), Tint.Hex(0x6A8490), Tint.Hex(0x4A7484), 6, Water: true),
            Tint.Hex(0x2F6F86),
            Tint.Hex(0xEFE6D2),
            7),
        (
            "hill",
            "Hill market",
            new Outlook(42, Tint.Hex(0x7FA7C4), Tint.Hex(0xF0E2C6), Tint.Hex(0x6E7F5A), Tint.Hex(0x8F846E), 7),
            Tint.Hex(0x9C3F2E),
            Tint.Hex(0xF2E3C4),
            9),
        (
            "green",
            "Green market",
            new Outlook(43, Tint.Hex(0x8DB6C8), Tint.Hex(0xEDEBD0), Tint.Hex(0x587A4A), Tint.Hex(0x7C8A54), 5),
            Tint.Hex(0x4E7A3E),
            Tint.Hex(0xF0E6C0),
            6),
        (
            "bridge",
            "Bridge market",
            new Outlook(44, Tint.Hex(0x9A8FB0), Tint.Hex(0xF2D2B0), Tint.Hex(0x6A6478), Tint.Hex(0x8C7C74), 8),
            Tint.Hex(0x6A4A7C),
            Tint.Hex(0xE9C46A),
            8),
    ];

    public static IReadOnlyList<(string Code, string Name, int Frames, Palette Heat, double Breadth)> Kilns { get; } =
    [
        ("updraught", "Updraught kiln", 10, Palette.Of(0xB8321A, 0xF08A24, 0xFFF2B0), 0.62),
        ("bottle", "Bottle kiln", 12, Palette.Of(0x9A2A3A, 0xE8663A, 0xFFE0A0), 0.46),
        ("pit", "Pit fire", 8, Palette.Of(0x7A3A1A, 0xD8742A, 0xF8D878), 0.84),
    ];

    public static IReadOnlyList<(string Name, Palette Wood, Tint Frame, double Corner)> Boards { get; } =
    [
        ("oak", Palette.Of(0x5A3F25, 0x8A6539, 0xB98F58), Tint.Hex(0x3C2A1A), 0.9),
        ("slate", Palette.Of(0x2F3A44, 0x4A5762, 0x6E7C86), Tint.Hex(0x9A8A5E), 0.5),
        ("limed", Palette.Of(0xB5A88E, 0xD2C6AA, 0xECE2CA), Tint.Hex(0x5E7A78), 1.1),
    ];

    public static IReadOnlyList<(string Code, string Name, int Width, SealForm Form, SealMotif Motif, Tint Clay)> Seals { get; } =
    [
        ("kiln_yard", "Kiln Yard", 60, SealForm.Oval, SealMotif.Of("KY"), Tint.Hex(0x9A5638)),
        ("moor_end", "Moor End", 72, SealForm.Lozenge, SealMotif.Sprig, Tint.Hex(0x7C6A52)),
        ("quayside", "Quayside", 96, SealForm.Tablet, SealMotif.Of("QUAY"), Tint.Hex(0x8A8474)),
        ("ash_lane", "Ash Lane", 52, SealForm.Round, SealMotif.Leaf, Tint.Hex(0x8C8278)),
        ("reed_works", "Reed Works", 88, SealForm.Oval, SealMotif.Reeds, Tint.Hex(0xA8743E)),
        ("salt_house", "Salt House", 44, SealForm.Round, SealMotif.Crossed, Tint.Hex(0xB9A98A)),
        ("heather", "Heather Pottery", 60, SealForm.Oval, SealMotif.Of("HP"), Tint.Hex(0x8E4A3A)),
        ("old_bridge", "Old Bridge", 132, SealForm.Tablet, SealMotif.Of("BRIDGE"), Tint.Hex(0x84603E)),
    ];

    /// <summary>A seal's code as an edition has it.</summary>
    public static string SealIn(string code, string edition) => code == "heather" && edition != "4.0" ? "heather_hill" : code;

    public static IReadOnlyList<(string Name, Outlook Season, Tint Frame, Tint Leaf)> Friezes { get; } =
    [
        (
            "spring",
            new Outlook(61, Tint.Hex(0x8FC0DC), Tint.Hex(0xF2F0DC), Tint.Hex(0x6F9A5A), Tint.Hex(0x8AA860), 4),
            Tint.Hex(0x8C6A46),
            Tint.Hex(0x7AAE4A)),
        (
            "summer",
            new Outlook(62, Tint.Hex(0x5F9CCB), Tint.Hex(0xF4E6BE), Tint.Hex(0x55803E), Tint.Hex(0xA89A5A), 5),
            Tint.Hex(0xA07A3E),
            Tint.Hex(0x3F7A34)),
        (
            "autumn",
            new Outlook(63, Tint.Hex(0x9A9AA8), Tint.Hex(0xF2D8AC), Tint.Hex(0x8A6A3A), Tint.Hex(0x94703E), 5),
            Tint.Hex(0x7A4A2E),
            Tint.Hex(0xC8732A)),
        (
            "winter",
            new Outlook(64, Tint.Hex(0x8096AC), Tint.Hex(0xE6ECF0), Tint.Hex(0xB4C2CC), Tint.Hex(0xDCE4EA), 4),
            Tint.Hex(0x5A6470),
            Tint.Hex(0x48605A)),
    ];
}
