using System.Text.Json.Nodes;

namespace Underlay.Demo.Kilnmoor;

/// <summary>Occasions, and the grounds on which they are held.</summary>
internal static class MarketGrounds
{
    private static readonly (string Code, string Name, string Group, string Needs)[] Occasions =
    [
        ("market_day", "Market day", "week", "stall well"),
        ("spring_fair", "Spring fair", "year", "stall stage well"),
        ("harvest", "Harvest", "year", "stall table"),
        ("kiln_feast", "Kiln feast", "year", "hearth table"),
        ("wedding", "Wedding", "life", "stage table"),
        ("long_night", "Long night", "year", "hearth lantern"),
    ];

    private static readonly (string Code, string Name)[] Fixtures =
    [
        ("stall", "Stall"), ("well", "Well"), ("stage", "Stage"), ("table", "Long table"), ("hearth", "Hearth"), (
            "lantern",
            "Lantern post"),
        ("bench", "Bench"), ("trough", "Trough"),
    ];

    public static IReadOnlyList<(string Name, string[] Occasions)> Plans { get; } =
        [("quay", ["market_day"]), ("green", ["market_day", "spring_fair", "wedding"]), ("hill", ["kiln_feast", "long_night"])];

    public static void Add(DemoTree tree)
    {
        tree.Text(
            "codes/occasions.csv",
            "code,name,group,since,needs\n" + string.Concat(Occasions.Select(o => $"{o.Code},{o.Name},{o.Group},3.0,{o.Needs}\n")));
        tree.Text("codes/fixtures.csv", "code,name,group,since\n" + string.Concat(Fixtures.Select(f => $"{f.Code},{f.Name},,3.0\n")));
        foreach (var (name, occasions) in Plans) tree.Json($"entries/plans/{name}.json", Plan($"moor.{name}_ground", occasions));
    }

    /// <summary>A ground with all that its occasions need, along one street from the gate.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="occasions">Codes.</param>
    /// <param name="narrow">The number of the lane that is too narrow, from 0; none where it is below.</param>
    public static JsonObject Plan(string id, string[] occasions, int narrow = -1)
    {
        var kinds = Occasions.Where(o => occasions.Contains(o.Code))
            .SelectMany(o => o.Needs.Split(' '))
            .Distinct()
            .Append("bench")
            .ToList();
        return new JsonObject
        {
            ["id"] = id,
            ["size_m"] = new JsonObject { ["x"] = 44, ["y"] = 30 },
            ["gate"] = "gate",
            ["fixtures"] = new JsonArray(
            [
                .. kinds.Select((kind, i) => (JsonNode)new JsonObject
                {
                    ["id"] = $"{kind}_1",
                    ["kind"] = kind,
                    ["x"] = 6 + (8 * i),
                    ["y"] = i % 2 == 0 ? 10 : 19,
                }),
            ]),
            ["lanes"] = new JsonArray(
            [
                .. kinds.Select((kind, i) => (JsonNode)new JsonObject
                {
                    ["from"] = i == 0 ? "gate" : $"{kinds[i - 1]}_1",
                    ["to"] = $"{kind}_1",
                    ["width_m"] = i == narrow ? 1.4 : i % 2 == 0 ? 3 : 2.5,
                }),
            ]),
            ["occasions"] = new JsonArray([.. occasions.Select(o => JsonValue.Create(o))]),
        };
    }
}
