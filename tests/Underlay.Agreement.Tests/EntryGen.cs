using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>Random entries of the kinds that stand below <c>entries/</c>: sound ones, and ones with a fault.</summary>
internal static class EntryGen
{
    private static readonly Gen<string> AnyAmount = Gen.OneOfConst("1", "2.5", "1", "0", "-1", "\"1\"", "1e-320");

    private static readonly Gen<string> AnyPart = Gen.Frequency(
        (5, Gen.Select(
            Gen.OneOfConst(
                "\"ware\": \"moor.milk_jug\"",
                "\"ware\": \"saltbrook.tide_cup\"",
                "\"ware\": \"moor.none\"",
                "\"material\": \"clay\"",
                "\"material\": \"tin\"",
                "\"material\": \"clay\", \"ware\": \"moor.milk_jug\"",
                "\"accepts\": { \"made_of\": \"clay\", \"volume_ml\": { \"min\": 100 } }",
                "\"accepts\": { \"made_of\": \"tin\" }",
                "\"accepts\": { \"volume_ml\": 3 }",
                "\"accepts\": []",
                "\"other\": 1"),
            AnyAmount)
            .Select((what, amount) => $$"""{ {{what}}, "amount": {{amount}} }""")),
        (1, Gen.OneOfConst("\"clay\"", "{ \"material\": \"clay\" }")),
        (4, Gen.Const("""{ "material": "clay", "amount": 1 }""")));

    /// <summary>Fields of glazes, with a comma before them.</summary>
    public static readonly Gen<string> Reactions = Gen.OneOfConst(
        "",
        "",
        ", \"reactions\": []",
        ", \"reactions\": [{ \"from_c\": 900, \"to_c\": 1100, \"air\": \"any\", \"gives\": { \"type\": \"drip\" } }]",
        ", \"reactions\": [{ \"from_c\": 900, \"to_c\": 1100, \"air\": \"any\", \"gives\": { \"type\": \"boil\" } }]",
        ", \"reactions\": [{ \"from_c\": 900, \"to_c\": 1100, \"air\": \"wet\", \"gives\": { \"type\": \"drip\" } }]",
        ", \"reactions\": [{ \"from_c\": 900, \"to_c\": 1100, \"air\": \"any\", \"soak_min\": -1, \"gives\": { \"type\": \"drip\" } }]",
        ", \"reactions\": [{ \"from_c\": 900, \"air\": \"any\", \"gives\": { \"type\": \"drip\" } }]",
        ", \"reactions\": {}");

    public static readonly Gen<string> Recipes = Gen.Select(
        Gen.OneOfConst("moor.milk_jug", "saltbrook.tide_cup", "saltbrook.fire", "fire"),
        Gen.OneOfConst("wheel", "wheel", "kiln", "oven", ""),
        AnyPart.List[0, 3],
        AnyPart.List[1, 2],
        Gen.OneOfConst("95", "95", "0", "1.5", "\"1h30\"", "\"45\"", "\"soon\"", "-1"),
        Gen.OneOfConst(
            "",
            "",
            ", \"technique\": \"moor.throwing\"",
            ", \"technique\": \"moor.none\"",
            ", \"technique\": \"none\"",
            ", \"order\": -3",
            ", \"order\": 1.5",
            ", \"firing_c\": \"hot\""))
        .Select(
            (id, station, uses, makes, minutes, more) =>
                $$"""
                { "id": "{{id}}", "station": "{{station}}", "uses": [{{string.Join(", ", uses)}}],
                  "makes": [{{string.Join(", ", makes)}}], "minutes": {{minutes}}{{more}} }
                """);

    public static readonly Gen<string> Texts = Gen.OneOf(
        Gen.Select(
            Gen.OneOfConst(
                "moor.milk_jug/name",
                "saltbrook.tide_cup/name",
                "saltbrook.tide_cup/about",
                "saltbrook.fire/name",
                "moor.celadon/name",
                "saltbrook.tide/name",
                "saltbrook.hill/name",
                "long_night/line",
                "first_frost/line",
                "nothing"),
            Gen.OneOfConst("One,Eins,Un", "One,,", ",Eins,", ",,"))
            .Select((key, values) => $"{key},{values}\n")
            .List[0, 6]
            .Select(rows => "key,en,de,fr\n" + string.Concat(rows)),
        Gen.OneOfConst("key,en,de\nmoor.milk_jug/name,a,b\n", "key,en,de,fr\nx,y\n", "", "en,de,fr,key\nOne,,,saltbrook.tide_cup/name\n"));

    public static readonly Gen<string> Techniques = Gen.OneOfConst(
        """{ "entries": [] }""",
        """{ "entries": [{ "id": "moor.throwing" }, { "id": "saltbrook.diving", "learned_after": "moor.none" }] }""",
        """{ "entries": [{ "id": "throwing" }] }""",
        """{ "entries": [{ "months": 3 }] }""",
        """{ "entries": { "id": "moor.throwing" } }""",
        """{ "entries": [{ "id": "moor.throwing", "months": -1 }] }""",
        "{}");

    public static readonly Gen<string> Plans = Gen.Frequency(
        (4, Gen.Select(
            Gen.OneOfConst("moor.quay", "saltbrook.hill", "hill"),
            Gen.OneOfConst("3", "2", "1.99", "0", "-1"),
            Gen.OneOfConst("", "\"fair\"", "\"fair\", \"rest\"", "\"wake\"", "\"\"", "1"))
            .Select(SmallBase.Plan)),
        (1, Gen.OneOfConst(
            "{}",
            SmallBase.Plan().Replace("\"two\"", "\"tow\"", StringComparison.Ordinal),
            SmallBase.Plan().Replace("\"well\"", "\"tree\"", StringComparison.Ordinal),
            SmallBase.Plan().Replace("\"x\": 40", "\"x\": 0", StringComparison.Ordinal),
            SmallBase.Plan().Replace("\"gate\"", "\"gates\"", StringComparison.Ordinal))));

    public static readonly Gen<string> Towers = Gen.Frequency(
        (4, Gen.Select(
            Gen.OneOfConst("moor.quay", "saltbrook.hill", "hill"),
            Gen.OneOfConst("", "\"fair\"", "\"fair\", \"rest\"", "\"wake\"", "\"\""),
            Gen.OneOfConst("any", "clear", "snow", "fog"))
            .Select(SmallBase.Tower)),
        (1, Gen.OneOfConst(
            "{}",
            SmallBase.Tower().Replace("closing", "closed", StringComparison.Ordinal),
            SmallBase.Tower().Replace("\"turns\": 1", "\"turns\": -1", StringComparison.Ordinal),
            """{ "id": "saltbrook.hill", "occasions": ["fair"], "peals": [{ "signal": "opening", "weather": "any", "strokes": [] }] }""")));
}
