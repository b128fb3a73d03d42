using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>The base files of Kilnmoor, edition by edition.</summary>
internal static class KilnmoorBase
{
    private static readonly (string Code, string Name, string Group)[] Materials =
    [
        ("red_clay", "Red clay", "clay"), ("grey_clay", "Grey clay", "clay"), ("white_clay", "White clay", "clay"),
        ("stoneware", "Stoneware", "clay"), ("stone", "Stone", "ground"), ("slate", "Slate", "ground"),
        ("sand", "Sand", "ground"), ("earth", "Earth", "ground"), ("ash", "Ash", "ground"),
        ("brick", "Brick", "built"), ("tile", "Tile", "built"), ("plaster", "Plaster", "built"),
        ("sherds", "Sherds", "built"), ("oak", "Oak", "built"), ("reed", "Reed", "grown"),
        ("straw", "Straw", "grown"), ("moss", "Moss", "grown"), ("grass", "Grass", "grown"),
        ("heather", "Heather", "grown"), ("water", "Water", "water"), ("snow", "Snow", "water"),
    ];

    /// <summary>What can be bought has a price, for one kilogram or one piece; clays and what is built are made of it.</summary>
    private static readonly Dictionary<string, string> Prices = new(StringComparer.Ordinal)
    {
        ["sand"] = "0.5",
        ["earth"] = "0.2",
        ["ash"] = "0.8",
        ["oak"] = "1.5",
        ["reed"] = "0.3",
        ["straw"] = "0.2",
        ["water"] = "0",
    };

    public static FileTree Make(string edition)
    {
        var tree = new DemoTree();
        AddTables(tree, edition);
        foreach (var surface in SurfaceList.All) AddSurface(tree, surface, edition);
        foreach (var shape in WareList.Shapes) tree.Json($"art/shapes/{shape.Name}.json", Shape(shape));
        var reactions = Craft.GlazeRows(edition);
        foreach (var (name, body, rim) in WareList.Glazes)
        {
            var glaze = Glaze($"moor.{name}", body, rim);
            if (reactions.TryGetValue(name, out var rows)) glaze["reactions"] = rows;
            tree.Json($"entries/glazes/{name}.json", glaze);
        }

        foreach (var ware in WareList.All.Where(w => !w.Left || edition != "4.0")) AddWare(tree, ware, edition);
        AddVillage(tree, edition);
        Craft.Add(tree, edition);
        MarketGrounds.Add(tree);
        Bells.Add(tree, edition);
        Sayings.Add(tree, edition);
        return tree.ToTree();
    }

    public static JsonObject Descriptor(string madeOf, string edge, double rough, string? under = null)
    {
        var json = new JsonObject { ["made_of"] = madeOf, ["edge"] = edge, ["rough"] = rough };
        if (under is not null) json["under"] = new JsonObject { ["surface"] = under, ["share"] = 0.3 };
        return json;
    }

    public static JsonObject Entry(string id, string shape, string madeOf, int price) =>
        new() { ["id"] = id, ["shape"] = shape, ["made_of"] = madeOf, ["price"] = price };

    public static Raster Skin(Ware ware) => Pots.Skin(ware.Skin.Width, ware.Skin.Height, ware.Seed, ware.Clay, ware.Slip);

    public static Raster Mask(Ware ware) => Pots.Mask(ware.Skin.Width, ware.Skin.Height, ware.Seed, ware.Glaze.Drips);

    public static Raster Shelf(Ware ware, int side = 56) =>
        Pots.Shelf(side, side, ware.Seed, ware.Shape, Skin(ware), ware.Glaze).Map((x, y, t) => ClearEdge(x, y, side, t));

    private static Tint ClearEdge(int x, int y, int side, Tint tint) =>
        x == 0 || y == 0 || x == side - 1 || y == side - 1 ? tint.WithAlpha(0) : tint;

    public static JsonObject Glaze(string id, string body, string rim) => new() { ["id"] = id, ["body"] = body, ["rim"] = rim };

    public static Raster Stall(Ware ware) =>
        Views.Stall(Pots.Shelf(48, 48, ware.Seed, ware.Shape, Skin(ware), ware.Glaze), ware.Seed, Tint.Hex(0x8A5A3A), Tint.Hex(0xBFAF92));

    private static void AddSurface(DemoTree tree, Surface surface, string edition)
    {
        var name = SurfaceList.NameIn(surface.Name, edition);
        var glows = surface.Ember > 0 && edition != "3.0";
        var descriptor = Descriptor(
            surface.MadeOf,
            surface.Edge,
            surface.Rough,
            surface.Under is { } under ? SurfaceList.NameIn(under, edition) : null);
        if (glows) descriptor["ember"] = surface.Ember;
        tree.Draw($"art/surfaces/{name}.png", $"surface {surface.Name}", () => surface.Paint().ToPng());
        tree.Json($"art/surfaces/{name}.surface.json", descriptor);
        if (glows)
            tree.Draw(
                $"art/embers/surfaces/{name}.png",
                $"embers {surface.Name}",
                () => Fire.Embers(128, 800 + surface.Name.Length, 7, surface.Ember).ToPng());
    }

    private static void AddWare(DemoTree tree, Ware ware, string edition)
    {
        var name = WareList.NameIn(ware.Name, edition);
        var folder = $"wares/{name}";
        var glows = ware.Ember > 0 && edition != "3.0";
        tree.Json($"{folder}/ware.json", Entry(ware, name, glows));
        if (ware.AsDds && edition == "4.0") tree.Draw($"{folder}/skin.dds", $"dds {ware.Name}", () => Skin(ware).ToDds());
        else tree.Draw($"{folder}/skin.png", $"skin {ware.Name}", () => Skin(ware).ToPng());
        tree.Draw($"{folder}/mask.png", $"mask {ware.Name}", () => Mask(ware).ToPng());
        var side = edition == "4.0" ? 56 : 48;
        tree.Draw($"{folder}/shelf.png", $"shelf {ware.Name} {side}", () => Shelf(ware, side).ToPng());
        if (ware.Stall is { } stall) tree.Draw($"art/stalls/{stall}.png", $"stall {ware.Name}", () => Stall(ware).ToPng());
        if (glows)
            tree.Draw(
                $"art/embers/wares/{name}.png",
                $"glow {ware.Name}",
                () => Fire.Glow(ware.Skin.Width, ware.Skin.Height, ware.Seed).ToPng());
    }

    private static JsonObject Entry(Ware ware, string name, bool glows)
    {
        var json = new JsonObject { ["id"] = $"moor.{name}" };
        if (ware.Like is { } like) json["like"] = $"moor.{like}";
        json["shape"] = ware.Shape.Name;
        if (ware.Like is null) json["made_of"] = ware.MadeOf;
        json["price"] = ware.Price;
        if (ware.GlazeName is { } glaze) json["glaze"] = $"moor.{glaze}";
        if (ware.Stall is { } stall) json["stall"] = stall;
        foreach (var (field, value) in WareMeasures.Of(ware)) json[field] = value;
        if (glows) json["ember"] = ware.Ember;
        return json;
    }

    private static void AddVillage(DemoTree tree, string edition)
    {
        var (width, height) = edition == "4.0" ? (264, 150) : (240, 135);
        foreach (var market in Village.Markets)
        {
            tree.Draw(
                $"art/scenes/{market.Code}.png",
                $"scene {market.Code} {height}",
                () => Views.Scene(width, height, market.View).ToPng());
            foreach (var light in Enum.GetValues<Daylight>())
                tree.Draw(
                    $"art/awnings/{market.Code}/{light.ToString().ToLowerInvariant()}.png",
                    $"awning {market.Code} {light}",
                    () => Cloth.Awning(market.View.Seed, market.One, market.Other, market.Stripes, light).ToPng());
        }

        foreach (var board in Village.Boards)
            foreach (var side in BoardWidths)
                tree.Draw(
                    $"art/boards/{board.Name}/{side}.png",
                    $"board {board.Name} {side}",
                    () => Cloth.Board(side, 70 + board.Name.Length, board.Wood, board.Frame, board.Corner).ToPng());
        foreach (var kiln in Village.Kilns) AddFlames(tree, kiln.Code, kiln.Frames, kiln.Heat, kiln.Breadth);
        foreach (var seal in Village.Seals)
            tree.Draw(
                $"art/seals/{Village.SealIn(seal.Code, edition)}.png",
                $"seal {seal.Code}",
                () => Seals.Paint(seal.Width, seal.Code.Length, seal.Form, seal.Motif, seal.Clay).ToPng());
        foreach (var frieze in Village.Friezes)
            tree.Draw(
                $"art/friezes/{frieze.Name}.png",
                $"frieze {frieze.Name}",
                () => Views.Frieze(frieze.Season, frieze.Frame, frieze.Leaf).ToPng());
    }

    public static int[] BoardWidths { get; } = [64, 96, 128, 192];

    public static void AddFlames(DemoTree tree, string kiln, int frames, Palette heat, double breadth)
    {
        var times = new StringBuilder("frame,ms\n");
        for (var i = 1; i <= frames; i++)
        {
            var phase = (i - 1) / (double)frames;
            tree.Draw(
                string.Create(CultureInfo.InvariantCulture, $"art/flames/{kiln}/{i:D2}.png"),
                $"flame {kiln} {i} {heat}",
                () => Fire.Flame(48, 64, kiln.Length, phase, heat, breadth).ToPng());
            times.Append(CultureInfo.InvariantCulture, $"{i},{70 + (i % 3 * 10)}\n");
        }

        tree.Text($"art/flames/{kiln}/timing.csv", times.ToString());
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

    private static void AddTables(DemoTree tree, string edition)
    {
        tree.Text("tables/materials.csv", PricedCodes(Materials));
        tree.Text("codes/markets.csv", Codes(Village.Markets.Select(m => (m.Code, m.Name, "market"))));
        tree.Text("codes/kilns.csv", Codes(Village.Kilns.Select(k => (k.Code, k.Name, "kiln"))));
        var meet = SurfaceList.Neighbours.Select(n => $"{SurfaceList.NameIn(n.One, edition)},{SurfaceList.NameIn(n.Other, edition)}");
        tree.Text("codes/neighbours.csv", $"one,other\n{string.Join('\n', meet)}\n");
        tree.Text(
            "tables/seals.csv",
            $"code,name\n{string.Join('\n', Village.Seals.Select(s => $"{Village.SealIn(s.Code, edition)},{s.Name}"))}\n");
    }

    private static string PricedCodes(IEnumerable<(string Code, string Name, string Group)> rows) =>
        "code,name,group,since,price\n"
        + string.Concat(rows.Select(r => $"{r.Code},{r.Name},{r.Group},3.0,{Prices.GetValueOrDefault(r.Code, "")}\n"));

    private static string Codes(IEnumerable<(string Code, string Name, string Group)> rows)
    {
        var csv = new StringBuilder("code,name,group,since\n");
        foreach (var (code, name, group) in rows) csv.Append(CultureInfo.InvariantCulture, $"{code},{name},{group},3.0\n");
        return csv.ToString();
    }
}
