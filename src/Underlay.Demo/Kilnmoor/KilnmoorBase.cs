using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>The base files of Kilnmoor 4.0 for the places that exist so far.</summary>
internal static class KilnmoorBase
{
    private static readonly (string Code, string Name, string Group)[] Materials =
    [
        ("red_clay", "Red clay", "clay"), ("grey_clay", "Grey clay", "clay"), ("white_clay", "White clay", "clay"), ("stoneware", "Stoneware", "clay"),
        ("stone", "Stone", "ground"), ("slate", "Slate", "ground"), ("sand", "Sand", "ground"), ("earth", "Earth", "ground"), ("ash", "Ash", "ground"),
        ("brick", "Brick", "built"), ("tile", "Tile", "built"), ("oak", "Oak", "built"), ("reed", "Reed", "grown"), ("straw", "Straw", "grown"),
        ("moss", "Moss", "grown"), ("grass", "Grass", "grown"), ("heather", "Heather", "grown"), ("water", "Water", "water"), ("snow", "Snow", "water"),
    ];

    public static FileTree Make()
    {
        var tree = new DemoTree();
        AddTables(tree);
        foreach (var surface in SurfaceList.All)
        {
            tree.Picture($"art/surfaces/{surface.Name}.png", surface.Paint());
            tree.Json($"art/surfaces/{surface.Name}.surface.json", Descriptor(surface.MadeOf, surface.Edge, surface.Rough, surface.Grain));
        }

        foreach (var shape in WareList.Shapes) tree.Json($"art/shapes/{shape.Name}.json", Shape(shape));
        foreach (var ware in WareList.All) AddWare(tree, ware);
        return tree.ToTree();
    }

    public static JsonObject Descriptor(string madeOf, string edge, double rough, string? grain = null)
    {
        var json = new JsonObject { ["made_of"] = madeOf, ["edge"] = edge, ["rough"] = rough };
        if (grain is not null) json["grain"] = grain;
        return json;
    }

    public static JsonObject Entry(string id, string shape, string madeOf, int price) =>
        new() { ["id"] = id, ["shape"] = shape, ["made_of"] = madeOf, ["price"] = price };

    public static Raster Skin(Ware ware) => Pots.Skin(ware.Skin.Width, ware.Skin.Height, ware.Seed, ware.Clay, ware.Slip);

    public static Raster Mask(Ware ware) => Pots.Mask(ware.Skin.Width, ware.Skin.Height, ware.Seed, ware.Glaze.Drips);

    public static Raster Shelf(Ware ware, int side = 56) => Pots.Shelf(side, side, ware.Seed, ware.Shape, Skin(ware), ware.Glaze).Map((x, y, t) => ClearEdge(x, y, side, t));

    private static Tint ClearEdge(int x, int y, int side, Tint tint) =>
        x == 0 || y == 0 || x == side - 1 || y == side - 1 ? tint.WithAlpha(0) : tint;

    private static void AddWare(DemoTree tree, Ware ware)
    {
        var folder = $"wares/{ware.Name}";
        tree.Json($"{folder}/ware.json", Entry($"moor.{ware.Name}", ware.Shape.Name, ware.MadeOf, ware.Price));
        tree.Picture($"{folder}/skin.png", Skin(ware));
        tree.Picture($"{folder}/mask.png", Mask(ware));
        tree.Picture($"{folder}/shelf.png", Shelf(ware));
    }

    private static JsonObject Shape(PotShape shape) => new()
    {
        ["outline"] = new JsonArray([.. shape.Outline.Select(p => (JsonNode)new JsonArray(p.Height, p.Radius))]),
        ["bands"] = new JsonObject
        {
            ["foot"] = new JsonArray(0, 0.12),
            ["body"] = new JsonArray(0.12, 0.82),
            ["rim"] = new JsonArray(0.82, 1),
        },
    };

    private static void AddTables(DemoTree tree)
    {
        var csv = new StringBuilder("code,name,group,since\n");
        foreach (var (code, name, group) in Materials) csv.Append(CultureInfo.InvariantCulture, $"{code},{name},{group},3.0\n");
        tree.Text("tables/materials.csv", csv.ToString());
    }
}
