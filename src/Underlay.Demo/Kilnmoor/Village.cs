using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>The markets, kilns, boards, seals and friezes of Kilnmoor.</summary>
internal static class Village
{
    public static IReadOnlyList<(string Code, string Name, Outlook View, Tint One, Tint Other, int Stripes)> Markets { get; } =
    [
        ("quay", "Quay market", new Outlook(41, Tint.Hex(0x6F9AB8), Tint.Hex(0xE8DCC4), Tint.Hex(0x6A8490), Tint.Hex(0x4A7484), 6, Water: true), Tint.Hex(0x2F6F86), Tint.Hex(0xEFE6D2), 7),
        ("hill", "Hill market", new Outlook(42, Tint.Hex(0x7FA7C4), Tint.Hex(0xF0E2C6), Tint.Hex(0x6E7F5A), Tint.Hex(0x8F846E), 7), Tint.Hex(0x9C3F2E), Tint.Hex(0xF2E3C4), 9),
        ("green", "Green market", new Outlook(43, Tint.Hex(0x8DB6C8), Tint.Hex(0xEDEBD0), Tint.Hex(0x587A4A), Tint.Hex(0x7C8A54), 5), Tint.Hex(0x4E7A3E), Tint.Hex(0xF0E6C0), 6),
        ("bridge", "Bridge market", new Outlook(44, Tint.Hex(0x9A8FB0), Tint.Hex(0xF2D2B0), Tint.Hex(0x6A6478), Tint.Hex(0x8C7C74), 8), Tint.Hex(0x6A4A7C), Tint.Hex(0xE9C46A), 8),
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

    public static IReadOnlyList<(string Code, string Name, int Width, SealForm Form, string Text, Tint Ground, Tint Letters)> Seals { get; } =
    [
        ("kiln_yard", "Kiln Yard", 60, SealForm.Oval, "KY", Tint.Hex(0x7A2E22), Tint.Hex(0xF6E7C8)),
        ("moor_end", "Moor End", 72, SealForm.Lozenge, "ME", Tint.Hex(0x2E4A3A), Tint.Hex(0xE9E2B8)),
        ("quayside", "Quayside", 96, SealForm.Tablet, "QUAY", Tint.Hex(0x1F4A66), Tint.Hex(0xEAF2F0)),
        ("ash_lane", "Ash Lane", 52, SealForm.Shield, "A", Tint.Hex(0x4A4A4E), Tint.Hex(0xF0D890)),
        ("reed_works", "Reed Works", 88, SealForm.Oval, "REED", Tint.Hex(0x4E5A22), Tint.Hex(0xF4F0D4)),
        ("salt_house", "Salt House", 44, SealForm.Oval, "S", Tint.Hex(0xE6DCC6), Tint.Hex(0x32404E)),
        ("heather", "Heather Pottery", 60, SealForm.Shield, "H", Tint.Hex(0x6A3A66), Tint.Hex(0xF2DDEE)),
        ("old_bridge", "Old Bridge", 132, SealForm.Tablet, "BRIDGE", Tint.Hex(0x5A4636), Tint.Hex(0xF2E6CE)),
    ];

    public static IReadOnlyList<(string Name, Outlook Season, Tint Frame, Tint Leaf)> Friezes { get; } =
    [
        ("spring", new Outlook(61, Tint.Hex(0x8FC0DC), Tint.Hex(0xF2F0DC), Tint.Hex(0x6F9A5A), Tint.Hex(0x8AA860), 4), Tint.Hex(0x8C6A46), Tint.Hex(0x7AAE4A)),
        ("summer", new Outlook(62, Tint.Hex(0x5F9CCB), Tint.Hex(0xF4E6BE), Tint.Hex(0x55803E), Tint.Hex(0xA89A5A), 5), Tint.Hex(0xA07A3E), Tint.Hex(0x3F7A34)),
        ("autumn", new Outlook(63, Tint.Hex(0x9A9AA8), Tint.Hex(0xF2D8AC), Tint.Hex(0x8A6A3A), Tint.Hex(0x94703E), 5), Tint.Hex(0x7A4A2E), Tint.Hex(0xC8732A)),
        ("winter", new Outlook(64, Tint.Hex(0x8096AC), Tint.Hex(0xE6ECF0), Tint.Hex(0xB4C2CC), Tint.Hex(0xDCE4EA), 4), Tint.Hex(0x5A6470), Tint.Hex(0x48605A)),
    ];
}
