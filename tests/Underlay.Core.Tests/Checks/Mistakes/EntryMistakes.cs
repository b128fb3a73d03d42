using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of entries.</summary>
internal static class EntryMistakes
{
    private static readonly Picture Good = Picture.Of(64, 64);

    public static IReadOnlyList<Mistake> All =>
    [
        new(
            "a comma too many",
            APack.Of().WithSurface("saltbrook_foam", Good, "{ \"made_of\": \"stone\", \"edge\": \"solid\", }"),
            "entry/unreadable",
            "art/surfaces/saltbrook_foam.surface.json",
            Severity.Blocker),
        new(
            "a value out of range",
            APack.Of().WithSurface("saltbrook_foam", Good, """{ "made_of": "stone", "edge": "solid", "rough": 2 }"""),
            "entry/rejected",
            "art/surfaces/saltbrook_foam.surface.json",
            Severity.Blocker),
        new(
            "a surface under it of nowhere",
            APack.Of()
                .WithSurface(
                    "saltbrook_foam",
                    Good,
                    """{ "made_of": "stone", "edge": "solid", "under": { "surface": "flagstones", "share": 0.3 } }"""),
            "entry/dangling",
            "art/surfaces/saltbrook_foam.surface.json",
            Severity.Blocker),
        new(
            "a material of nowhere",
            APack.Of().WithSurface("saltbrook_foam", Good, """{ "made_of": "glass", "edge": "solid" }"""),
            "entry/dangling",
            "art/surfaces/saltbrook_foam.surface.json",
            Severity.Blocker),
        new(
            "a shape of nowhere",
            APack.Of().WithWare("tide_cup").With("wares/tide_cup/ware.json", SmallBase.Ware("saltbrook.tide_cup", shape: "jugg")),
            "entry/dangling",
            "wares/tide_cup/ware.json",
            Severity.Blocker),
        new(
            "an id of another folder",
            APack.Of().WithWare("tide_cup", id: "saltbrook.tidecup"),
            "entry/misnamed",
            "wares/tide_cup/ware.json",
            Severity.Blocker),
        new(
            "a circle of wares",
            APack.Of().With("wares/milk_jug/ware.json", """{ "id": "moor.milk_jug", "like": "moor.milk_jug" }"""),
            "entry/circular",
            "wares/milk_jug/ware.json",
            Severity.Blocker),
        new(
            "a stall number twice",
            APack.Of()
                .WithWare("tide_cup")
                .With(
                    "wares/tide_cup/ware.json",
                    """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "stall": "001" }"""),
            "entry/twice",
            "wares/tide_cup/ware.json",
            Severity.Blocker),
        new(
            "a field one letter off",
            APack.Of()
                .WithWare("tide_cup")
                .With(
                    "wares/tide_cup/ware.json",
                    """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "Glaze": "moor.celadon" }"""),
            "entry/near-field",
            "wares/tide_cup/ware.json",
            Severity.Warning),
        new(
            "a recipe of a ware of nowhere",
            APack.Of()
                .WithTexts("saltbrook.fire/name")
                .With(
                    "entries/recipes/saltbrook_fire.json",
                    SmallBase.Recipe("saltbrook.fire", uses: """{ "ware": "moor.milk_jugg", "amount": 1 }""")),
            "entry/dangling",
            "entries/recipes/saltbrook_fire.json",
            Severity.Blocker),
        new(
            "a recipe of nothing",
            APack.Of()
                .WithTexts("saltbrook.fire/name")
                .With(
                    "entries/recipes/fire.json",
                    SmallBase.Recipe("saltbrook.fire", """{ "material": "reed", "amount": 3 }""", makes: "")),
            "recipe/makes-nothing",
            "entries/recipes/fire.json",
            Severity.Warning),
        new(
            "a lane too narrow",
            APack.Of()
                .With("entries/plans/quay.json", SmallBase.Plan().Replace("\"width_m\": 2", "\"width_m\": 1.9", StringComparison.Ordinal)),
            "entry/unreachable",
            "entries/plans/quay.json",
            Severity.Blocker),
        new(
            "a signal that rain silences",
            APack.Of().With("entries/towers/quay.json", SmallBase.Tower(weather: "clear")),
            "entry/not-covered",
            "entries/towers/quay.json#opening",
            Severity.Blocker),
        new(
            "techniques without the base's",
            APack.Of()
                .WithTexts("saltbrook.diving/name")
                .With("entries/techniques.json", """{ "entries": [{ "id": "moor.throwing" }, { "id": "saltbrook.diving" }] }"""),
            "entry/hides-others",
            "entries/techniques.json",
            Severity.Warning),
        new(
            "a reaction behind one that always fits",
            APack.Of()
                .With(
                    "entries/glazes/celadon.json",
                    """
                    {
                        "id": "moor.celadon", "body": "#9ec2b4", "rim": "#2f6e63",
                        "reactions": [
                            { "from_c": 900, "to_c": 1100, "air": "any", "gives": { "type": "drip" } },
                            { "from_c": 1100, "to_c": 1200, "air": "reducing", "gives": { "type": "drip" } },
                            { "from_c": 950, "to_c": 1180, "air": "reducing", "soak_min": 20, "gives": { "type": "crackle" } }
                        ]
                    }
                    """),
            "entry/row-never-used",
            "entries/glazes/celadon.json",
            Severity.Warning),
        new(
            "a glaze that no ware has",
            APack.Of()
                .With("entries/glazes/saltbrook_tide.json", """{ "id": "saltbrook.tide", "body": "#2f8f86", "rim": "#e9efe4" }""")
                .WithTexts("saltbrook.tide/name"),
            "entry/unused",
            "entries/glazes/saltbrook_tide.json",
            Severity.Note),
        new(
            "a lid on a shape without a rim",
            APack.Of()
                .WithWare("tide_cup")
                .With(
                    "wares/tide_cup/ware.json",
                    """{ "id": "saltbrook.tide_cup", "shape": "slab", "made_of": "clay", "price": 3, "lid": "moor.milk_jug" }"""),
            "entry/seen-nowhere",
            "wares/tide_cup/ware.json",
            Severity.Warning),
        new(
            "a parameter far out of its range",
            APack.Of()
                .With(
                    "entries/glazes/celadon.json",
                    """
                    {
                        "id": "moor.celadon", "body": "#9ec2b4", "rim": "#2f6e63",
                        "reactions": [{ "from_c": 900, "to_c": 1100, "air": "any", "gives": { "type": "drip", "length_mm": 400 } }]
                    }
                    """),
            "entry/unfit-parameter",
            "entries/glazes/celadon.json",
            Severity.Warning),
    ];
}
