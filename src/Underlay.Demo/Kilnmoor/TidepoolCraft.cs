using System.Text.Json.Nodes;
using Underlay.Core.Sounds;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>Tidepool's sounds, recipes, texts, ground and bells, with their mistakes, and what puts those right.</summary>
internal static class TidepoolCraft
{
    private static readonly (string Id, string En, string De, string Fr, string About, string Ueber, string Sur)[] Wares =
    [
        (
            "saltbrook.tide_cup",
            "Tide cup",
            "Gezeitentasse",
            "Tasse des marées",
            "Salt in the glaze.",
            "Salz in der Glasur.",
            "Du sel dans l’émail."),
        ("saltbrook.tide_bowl", "Tide bowl", "Gezeitenschale", "Bol des marées", "For mussels.", "Für Muscheln.", "Pour les moules."),
        (
            "saltbrook.sea_jar",
            "Sea jar",
            "Seekrug",
            "Jarre de mer",
            "Keeps what the sea gives.",
            "Hält, was die See gibt.",
            "Garde ce que la mer donne."),
        (
            "saltbrook.kelp_bottle",
            "Kelp bottle",
            "Tangflasche",
            "Bouteille de varech",
            "Green to the neck.",
            "Grün bis zum Hals.",
            "Verte jusqu’au col."),
        (
            "saltbrook.tide_tray",
            "Tide tray",
            "Gezeitenteller",
            "Plateau des marées",
            "Dries in the wind.",
            "Trocknet im Wind.",
            "Sèche au vent."),
    ];

    public static void Add(DemoTree tree)
    {
        // Another rate; two channels; 24 bits; silence in front; no row; a loop longer than the sound.
        tree.Bytes("audio/bells/low_1.wav", SoundResampler.To(Tones.Bell(233, 1.6), 44_100).ToWav());
        tree.Bytes("audio/bells/low_2.wav", Twice(Tones.Bell(262, 1.6)).ToWav());
        tree.Bytes("audio/kiln/door.wav", Tones.Knock(80, 0.5, 951).ToWav24());
        tree.Bytes("audio/street/steps.wav", Late(Tones.Knock(200, 0.7, 952)).ToWav());
        tree.Bytes("audio/tools/saltbrook_shell_tap.wav", Tones.Knock(2400, 0.2, 953).ToWav());
        tree.Bytes("audio/ambience/quay_water.wav", Tones.Murmur(3, 954, 380, 2).ToWav());

        // A ware that is called otherwise, bricks that grow as they are broken and pressed, a lane too narrow, a signal that snow
        // silences, a list that lacks the host's own.
        tree.Json("entries/recipes/tide_cup.json", Recipe("moor.teacup"));
        tree.Json("entries/recipes/press_bricks.json", Press());
        tree.Json("entries/recipes/break_bricks.json", Break(sherds: 3));
        tree.Json("entries/plans/quay.json", MarketGrounds.Plan("moor.quay_ground", ["market_day"], narrow: 1));
        tree.Json("entries/towers/quay.json", Tower("clear"));
        tree.Json("entries/techniques.json", Techniques("3.1", lacking: 2));

        // A ware of which nothing is told, and the prefix of another.
        tree.Text("texts/tidepool.csv", Texts(isMended: false));
    }

    public static DemoTree AddMended(DemoTree tree) => tree
        .Bytes("audio/bells/low_1.wav", Tones.Bell(233, 1.6).ToWav())
        .Bytes("audio/bells/low_2.wav", Tones.Bell(262, 1.6).ToWav())
        .Bytes("audio/kiln/door.wav", Tones.Knock(80, 0.5, 951).ToWav())
        .Bytes("audio/street/steps.wav", Tones.Knock(200, 0.7, 952).ToWav())
        .Text("audio/ambience.csv", "name,loop_from,loop_to,gain_db\nquay_water,0,96000,-4\n")
        .Json("entries/recipes/tide_cup.json", Recipe("moor.tea_cup"))
        .Json("entries/recipes/break_bricks.json", Break(sherds: 2))
        .Json("entries/plans/quay.json", MarketGrounds.Plan("moor.quay_ground", ["market_day"]))
        .Json("entries/towers/quay.json", Tower("any"))
        .Json("entries/techniques.json", Techniques("4.0", lacking: 0))
        .Json("entries/glazes/tide.json", Glaze("crackle"))
        .Text("texts/tidepool.csv", Texts(isMended: true));

    public static JsonObject Glaze(string type)
    {
        var glaze = KilnmoorBase.Glaze("saltbrook.tide", "#2f8f86", "#e9efe4");
        glaze["reactions"] = new JsonArray(new JsonObject
        {
            ["from_c"] = 1180,
            ["to_c"] = 1260,
            ["air"] = "reducing",
            ["gives"] = new JsonObject { ["type"] = type, ["fineness"] = 0.5 },
        });
        return glaze;
    }

    private static JsonObject Recipe(string ware) => Craft.Recipe(
        "saltbrook.tide_cup_again",
        "updraught",
        [Craft.Part("ware", ware, 1), Craft.Part("material", "ash", 1)],
        [Craft.Part("ware", "saltbrook.tide_cup", 1)],
        300,
        "4.0");

    private static JsonObject Press() => Craft.Recipe(
        "saltbrook.press_bricks",
        "bottle",
        [Craft.Part("material", "sherds", 2)],
        [Craft.Part("material", "brick", 1)],
        120,
        "4.0");

    private static JsonObject Break(int sherds) => Craft.Recipe(
        "saltbrook.break_bricks",
        "hammer",
        [Craft.Part("material", "brick", 1)],
        [Craft.Part("material", "sherds", sherds)],
        5,
        "4.0");

    private static JsonObject Tower(string weather) => new()
    {
        ["id"] = "moor.quay_tower",
        ["occasions"] = new JsonArray("market_day"),
        ["peals"] = new JsonArray(
            Bells.Peal("market_opens", "any", "bells/low_1", "bells/low_2"),
            Bells.Peal("market_closes", weather, "bells/low_2", "bells/mid_1")),
    };

    private static JsonObject Techniques(string edition, int lacking)
    {
        var list = Craft.TechniqueList(edition);
        for (var i = 0; i < lacking; i++) list.RemoveAt(list.Count - 1);
        list.Add((JsonNode)Craft.Technique("saltbrook.shell_pressing", "moor.wedging", 2));
        return new JsonObject { ["entries"] = list };
    }

    private static string Texts(bool isMended)
    {
        var csv = "key,en,de,fr\n"
            + Sayings.Row("saltbrook.tide/name", "Tide", "Gezeiten", "Marée")
            + Sayings.Row("saltbrook.shell_pressing/name", "Shell pressing", "Muscheln drücken", "Empreintes de coquilles")
            + Sayings.Row("saltbrook.tide_cup_again/name", "Glaze a cup anew", "Tasse neu glasieren", "Réémailler une tasse")
            + Sayings.Row(
                "saltbrook.press_bricks/name",
                "Press bricks of sherds",
                "Ziegel aus Scherben pressen",
                "Presser des briques de tessons")
            + Sayings.Row("saltbrook.break_bricks/name", "Break bricks", "Ziegel zerschlagen", "Casser des briques");
        foreach (var (id, en, de, fr, about, ueber, sur) in Wares)
        {
            // The keys stand as the ids stood when they were written.
            var key = isMended
                ? id
                : id
                    .Replace("saltbrook.sea", "tidepool.sea", StringComparison.Ordinal)
                    .Replace("tide_bowl", "tidebowl", StringComparison.Ordinal);
            csv += Sayings.Row($"{key}/name", en, de, fr);
            if (isMended || id != "saltbrook.tide_cup") csv += Sayings.Row($"{key}/about", about, ueber, sur);
        }

        return csv;
    }

    private static Sound Twice(Sound sound) => sound with { Channels = [sound.Channels[0], sound.Channels[0]] };

    private static Sound Late(Sound sound) => sound.Map(samples => [.. new float[sound.Rate / 5], .. samples]);
}
