using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>Three surfaces with descriptors, clean: the first thing that a newcomer opens.</summary>
internal static class MoorpathsPack
{
    public static FileTree Make()
    {
        var gravel = Grounds.Pebbles(128, 501, 12, Palette.Of(0x7A6A54, 0xA8957A, 0xD4C4A6), Tint.Hex(0x574734));
        var peat = Grounds.Earth(128, 502, Palette.Of(0x2C2019, 0x4A382B, 0x745C46), 0.55, 0.25);
        var heather = Grounds.Green(128, 503, Palette.Of(0x3B3F2C, 0x66633F, 0x979062), 0.8, Tint.Hex(0xB0649A));
        return new DemoTree()
            .Json(
                "firing.json",
                Manifest("saltbrook.moorpaths", "1.0.0", "Moor Paths", "Gravel, peat and heather for the paths between the kilns."))
            .Picture("front.png", Fronts.Path(gravel, peat, heather))
            .Picture("art/surfaces/gravel_path.png", gravel)
            .Json("art/surfaces/gravel_path.surface.json", KilnmoorBase.Descriptor("stone", "solid", 0.85, "saltbrook_peat_path"))
            .Picture("art/surfaces/saltbrook_peat_path.png", peat)
            .Json("art/surfaces/saltbrook_peat_path.surface.json", KilnmoorBase.Descriptor("earth", "solid", 0.95))
            .Picture("art/surfaces/saltbrook_heather_path.png", heather)
            .Json(
                "art/surfaces/saltbrook_heather_path.surface.json",
                KilnmoorBase.Descriptor("heather", "solid", 0.9, "saltbrook_peat_path"))
            .ToTree();
    }

    public static JsonObject Manifest(string id, string version, string title, string about) => new()
    {
        ["id"] = id,
        ["version"] = version,
        ["title"] = title,
        ["by"] = "Saltbrook Pottery",
        ["about"] = about,
        ["reads"] = new JsonObject { ["from"] = "4.0", ["to"] = "4.0" },
        ["front"] = "front.png",
    };
}
