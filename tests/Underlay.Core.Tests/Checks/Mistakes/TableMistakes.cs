using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>Mistakes of tables and texts.</summary>
internal static class TableMistakes
{
    public static IReadOnlyList<Mistake> All =>
    [
        new(
            "the table of seals with a row of the base",
            APack.Of().With("tables/seals.csv", "code,do,name\nclay_mark,change,Clay mark\n"),
            "table/copied-rows",
            "tables/seals.csv",
            Severity.Note),
        new(
            "a row of nothing",
            APack.Of().With("tables/seals.csv", "code,do,name\nsaltbrook_tide,add,Tide\n"),
            "table/no-file",
            "tables/seals.csv",
            Severity.Warning),
        new(
            "a row without its name",
            APack.Of().With("art/seals/saltbrook_tide.png", Given.Seal()).With("tables/seals.csv", "code,do,name\nsaltbrook_tide,add,\n"),
            "table/empty-value",
            "tables/seals.csv",
            Severity.Warning),
        new(
            "a glaze without a name",
            APack.Of()
                .With("entries/glazes/saltbrook_tide.json", """{ "id": "saltbrook.tide", "body": "#2f8f86", "rim": "#e9efe4" }""")
                .WithWare("tide_cup")
                .With(
                    "wares/tide_cup/ware.json",
                    """{ "id": "saltbrook.tide_cup", "shape": "jug", "made_of": "clay", "price": 3, "glaze": "saltbrook.tide" }""")
                .With("wares/tide_cup/mask.png", Picture.Filled(64, 64, new Pixel(0, 0, 255, 255))),
            "text/missing",
            "entries/glazes/saltbrook_tide.json#saltbrook.tide/name",
            Severity.Blocker),
        new("a text of nothing", APack.Of().WithTexts("saltbrook.tide/name"), "text/no-owner", "texts/pack.csv", Severity.Warning),
        new(
            "a text in no French",
            APack.Of().With("texts/all.csv", "key,en,de,fr\nmoor.celadon/name,Celadon,Seladon,\n"),
            "text/untranslated",
            "texts/all.csv",
            Severity.Note),
        new(
            "a name in the ware",
            APack.Of()
                .With(
                    "wares/soup_bowl/ware.json",
                    """
                    {
                        "id": "moor.soup_bowl", "shape": "bowl", "made_of": "clay", "price": 12, "stall": "002",
                        "ember": 0.5, "name": "Bowl"
                    }
                    """),
            "text/literal",
            "wares/soup_bowl/ware.json",
            Severity.Warning),
    ];
}
