using System.Globalization;
using System.Text.Json.Nodes;

namespace Underlay.Demo.Kilnmoor;

/// <summary>How clay becomes ware: stations, techniques, reactions of glazes and recipes.</summary>
internal static class Craft
{
    private static readonly (string Code, string Name)[] Stations =
    [
        ("clay_pit", "Clay pit"), ("wash_tank", "Wash tank"), ("hammer", "Hammer"), ("wheel", "Wheel"), ("updraught", "Updraught kiln"),
        ("bottle", "Bottle kiln"),
    ];

    public static IReadOnlyList<(string Name, string? After, int Months)> Techniques { get; } =
    [
        ("wedging", null, 1), ("throwing", "wedging", 6), ("trimming", "throwing", 3), ("handles", "throwing", 2), ("lids", "trimming", 4),
        ("slip_trailing", "wedging", 2), ("ash_glazing", "slip_trailing", 5), ("salt_firing", "ash_glazing", 9),
    ];

    private static readonly (string Code, string Name)[] Reactions =
    [
        ("crackle", "Crackle"), ("drip", "Drips"), ("lustre", "Lustre"), ("matte", "Matte"), ("pool", "Pools"), ("speckle", "Speckle"),
        ("crawl", "Crawls back"), ("bloom", "Bloom"), (
            "break",
            "Breaks over edges"), ("halo", "Halo"), ("smoke", "Smoke marks"), ("haze", "Haze"),
    ];

    /// <summary>The numbers of each reaction: code, name, unit, least, most, usual, and since when.</summary>
    private static readonly (string Code, string Name, string Unit, double Least, double Most, double Usual, string Since)[] Parameters =
    [
        ("crackle.fineness", "Fineness", "", 0, 1, 0.5, "3.0"), ("crackle.line_um", "Width of the lines", "µm", 20, 300, 80, "3.1"),
        ("drip.length_mm", "Length", "mm", 1, 40, 8, "3.0"), ("drip.spacing_mm", "Spacing", "mm", 2, 60, 12, "3.1"),
        ("lustre.shine", "Shine", "", 0, 1, 0.6, "3.0"), ("lustre.turn_deg", "Turn of the hue", "°", -180, 180, 20, "4.0"),
        ("matte.softness", "Softness", "", 0, 1, 0.5, "3.0"),
        ("pool.depth_mm", "Depth", "mm", 0.2, 6, 1.5, "3.0"),
        ("speckle.density", "Density", "", 0, 1, 0.3, "3.0"), ("speckle.size_mm", "Size", "mm", 0.1, 4, 0.6, "3.1"),
        ("crawl.gap_mm", "Gap", "mm", 0.5, 15, 3, "3.0"),
        ("bloom.radius_mm", "Radius", "mm", 1, 30, 8, "3.0"), ("bloom.strength", "Strength", "", 0, 1, 0.4, "3.0"),
        ("break.width_mm", "Width", "mm", 0.5, 8, 2, "3.0"),
        ("halo.width_mm", "Width", "mm", 1, 20, 5, "3.0"),
        ("smoke.strength", "Strength", "", 0, 1, 0.4, "3.0"), ("smoke.reach_cm", "Reach", "cm", 0.5, 12, 4, "4.0"),
        ("haze.strength", "Strength", "", 0, 1, 0.3, "3.0"),
    ];

    /// <summary>What is made of raw materials: what of it, and of what.</summary>
    private static readonly GroundRecipe[] Grounds =
    [
        new("dig_red_clay", "clay_pit", [("earth", 3)], "red_clay", 2, 40),
        new("dig_grey_clay", "clay_pit", [("earth", 4)], "grey_clay", 2, 50),
        new("wash_white_clay", "wash_tank", [("grey_clay", 3), ("water", 4)], "white_clay", 2, 120),
        new("mix_stoneware", "wash_tank", [("grey_clay", 2), ("sand", 1)], "stoneware", 3, 90),
        new("mould_brick", "updraught", [("red_clay", 2), ("straw", 1)], "brick", 4, 240),
        new("mould_tile", "updraught", [("red_clay", 1), ("sand", 1)], "tile", 3, 200),
        new("burn_reed_ash", "hammer", [("reed", 4)], "ash", 1, 30),
        new("mix_plaster", "wash_tank", [("white_clay", 1), ("water", 2)], "plaster", 2, 45),
    ];

    /// <summary>What is seen of a glaze in the fire: two rows each, for three glazes.</summary>
    public static IReadOnlyDictionary<string, JsonArray> GlazeRows(string edition) =>
        new Dictionary<string, JsonArray>(StringComparer.Ordinal)
        {
            ["celadon"] = Rows(
                edition,
                (1180, 1260, "reducing", "crackle", "fineness", 0.6),
                (1100, 1180, "any", "matte", "softness", 0.4)),
            ["salt"] = Rows(edition, (1220, 1300, "any", "speckle", "density", 0.3), (1100, 1220, "oxidising", "haze", "strength", 0.2)),
            ["amber"] = Rows(edition, (1050, 1120, "oxidising", "drip", "length_mm", 12), (1120, 1200, "any", "pool", "depth_mm", 2)),
        };

    public static void Add(DemoTree tree, string edition)
    {
        tree.Text("tables/stations.csv", "code,name\n" + string.Concat(Stations.Select(s => $"{s.Code},{s.Name}\n")));
        tree.Text(
            "codes/reactions.csv",
            "code,name,group,since\n" + string.Concat(Reactions.Select(r => $"{r.Code},{r.Name},glaze,3.0\n")));
        tree.Text(
            "codes/parameters.csv",
            "code,name,group,since,unit,least,most,usual\n" + string.Concat(
                Parameters
                    .Where(p => string.CompareOrdinal(p.Since, edition) <= 0)
                    .Select(
                        p => string.Create(
                            CultureInfo.InvariantCulture,
                            $"{p.Code},{p.Name},{p.Code.Split('.')[0]},{p.Since},{p.Unit},{p.Least},{p.Most},{p.Usual}\n"))));
        tree.Json("entries/techniques.json", new JsonObject { ["entries"] = TechniqueList(edition) });
        foreach (var (name, station, uses, makes, amount, minutes) in Grounds)
            tree.Json(
                $"entries/recipes/{name}.json",
                Recipe(
                    $"moor.{name}",
                    station,
                    [.. uses.Select(u => Part("material", u.Material, u.Amount))],
                    [Part("material", makes, amount)],
                    minutes,
                    edition));
        foreach (var ware in WareList.All.Where(w => !w.Left || edition != "4.0")) AddFirings(tree, ware, edition);
        tree.Json(
            "entries/recipes/break_sherds.json",
            Recipe("moor.break_sherds", "hammer", [Any("red_clay")], [Part("material", "sherds", 2)], 5, edition));
    }

    /// <summary>A technique as it stands in the list.</summary>
    public static JsonObject Technique(string id, string? after, int months)
    {
        var json = new JsonObject { ["id"] = id };
        if (after is not null) json["learned_after"] = after;
        json["months"] = months;
        return json;
    }

    /// <summary>In 4.0 lids are learned sooner, and kilns are read.</summary>
    public static JsonArray TechniqueList(string edition)
    {
        var list = edition == "4.0"
            ? [.. Techniques.Select(t => t.Name == "lids" ? t with { Months = 3 } : t), ("kiln_reading", "salt_firing", 4)]
            : Techniques;
        return new([.. list.Select(t => (JsonNode)Technique($"moor.{t.Name}", t.After is { } after ? $"moor.{after}" : null, t.Months))]);
    }

    public static JsonObject Recipe(string id, string station, JsonNode[] uses, JsonNode[] makes, int minutes, string edition)
    {
        var text = minutes >= 60
            ? string.Create(CultureInfo.InvariantCulture, $"{minutes / 60}h{minutes % 60:D2}")
            : minutes.ToString(CultureInfo.InvariantCulture);
        return new JsonObject
        {
            ["id"] = id,
            ["station"] = station,
            ["uses"] = new JsonArray(uses),
            ["makes"] = new JsonArray(makes),
            ["minutes"] = edition == "4.0" ? minutes : text,
        };
    }

    public static JsonObject Part(string kind, string name, double amount) => new() { [kind] = name, ["amount"] = amount };

    /// <summary>The recipes of a ware: one by one, and a full kiln of it, which spares wood.</summary>
    private static void AddFirings(DemoTree tree, Ware ware, string edition)
    {
        var name = WareList.NameIn(ware.Name, edition);
        // No two wares of one clay weigh the same, so that a station knows them by it.
        var clay = WareMeasures.ClayOf(ware);
        foreach (var (suffix, pieces, wood) in new[] { ("", 1, 1.0), ("_kilnful", 6, 4.0) })
        {
            var recipe = Recipe(
                $"moor.{name}{suffix}",
                pieces == 1 ? "updraught" : "bottle",
                [
                    Part("material", ware.MadeOf, Math.Round(clay * pieces, 2)),
                    Part("material", "ash", pieces),
                    Part("material", "oak", wood),
                ],
                [Part("ware", $"moor.{name}", pieces)],
                pieces == 1 ? 380 : 900,
                edition);
            recipe["firing_c"] = ware.MadeOf == "red_clay" ? 1080 : 1240;
            recipe["technique"] = ware.GlazeName == "salt" ? "moor.salt_firing" : "moor.ash_glazing";
            tree.Json($"entries/recipes/{name}{suffix}.json", recipe);
        }
    }

    private static JsonObject Any(string madeOf) => new()
    {
        ["accepts"] = new JsonObject { ["made_of"] = madeOf, ["volume_ml"] = new JsonObject { ["min"] = 100, ["max"] = 2000 } },
        ["amount"] = 1,
    };

    private static JsonArray Rows(
        string edition,
        params (int From, int To, string Air, string Type, string Parameter, double Value)[] rows) =>
        new(
        [
            .. rows.Select(r =>
            {
                var row = new JsonObject { ["from_c"] = r.From, ["to_c"] = r.To, ["air"] = r.Air };
                if (edition == "4.0") row["soak_min"] = 20;
                row["gives"] = new JsonObject { ["type"] = r.Type, [r.Parameter] = r.Value };
                return (JsonNode)row;
            }),
        ]);

    private sealed record GroundRecipe(
        string Name,
        string Station,
        (string Material, double Amount)[] Uses,
        string Makes,
        double Amount,
        int Minutes);
}
