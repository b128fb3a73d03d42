using System.Text;
using System.Text.Json.Nodes;
using Underlay.Core.Sounds;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>The sounds of Kilnmoor, and what its bells ring.</summary>
internal static class Bells
{
    private static readonly (string Group, string Name, Func<Sound> Make, bool Loops)[] Sounds =
    [
        ("tools", "wheel_kick", () => Tones.Knock(180, 0.5, 901), false),
        ("tools", "rib_scrape", () => Tones.Knock(420, 0.85, 902), false),
        ("tools", "cup_tap", () => Tones.Knock(1900, 0.15, 903), false),
        ("tools", "wire_cut", () => Tones.Knock(900, 0.7, 904), false),
        ("kiln", "door", () => Tones.Knock(95, 0.4, 905), false),
        ("kiln", "crackle_low", () => Tones.Crackle(1.5, 906, 14), false),
        ("kiln", "crackle_high", () => Tones.Crackle(1.5, 907, 40), false),
        ("street", "cart", () => Tones.Murmur(1.2, 908, 260, 3), false),
        ("street", "steps", () => Tones.Knock(240, 0.6, 909), false),
        ("street", "shutter", () => Tones.Knock(310, 0.45, 910), false),
        ("bells", "low_1", () => Tones.Bell(220, 1.6), false),
        ("bells", "low_2", () => Tones.Bell(247, 1.6), false),
        ("bells", "mid_1", () => Tones.Bell(330, 1.3), false),
        ("bells", "mid_2", () => Tones.Bell(392, 1.3), false),
        ("bells", "high_1", () => Tones.Bell(523, 1), false),
        ("bells", "high_2", () => Tones.Bell(659, 1), false),
        ("ambience", "quay_water", () => Tones.Murmur(4, 911, 420, 2), true),
        ("ambience", "moor_wind", () => Tones.Murmur(4, 912, 150, 1), true),
        ("ambience", "market_crowd", () => Tones.Murmur(4, 913, 900, 3), true),
    ];

    /// <summary>Signals: code, name, occasion, since, required.</summary>
    private static readonly (string Code, string Name, string Occasion, string Since, bool Required)[] Signals =
    [
        ("market_opens", "The market opens", "market_day", "3.1", true), ("market_closes", "The market closes", "market_day", "3.1", true),
        ("rained_off", "Rained off", "market_day", "3.1", false), ("late_cart", "A late cart", "market_day", "4.0", false),
        ("fair_opens", "The fair opens", "spring_fair", "3.1", true), ("fair_dance", "The dance begins", "spring_fair", "3.1", true),
        ("fair_closes", "The fair closes", "spring_fair", "3.1", true), ("fair_prize", "The prize is given", "spring_fair", "4.0", false),
        ("kiln_lit", "The kiln is lit", "kiln_feast", "3.1", true), ("kiln_soak", "The kiln is at heat", "kiln_feast", "3.1", false),
        ("kiln_opened", "The kiln is opened", "kiln_feast", "3.1", true),
        ("night_falls", "Night falls", "long_night", "3.1", true), ("first_light", "First light", "long_night", "3.1", true),
        ("midnight", "Midnight", "long_night", "4.0", true),
    ];

    public static IReadOnlyList<(string Name, string[] Occasions)> Towers { get; } =
        [("quay", ["market_day"]), ("green", ["spring_fair", "market_day"]), ("hill", ["kiln_feast"])];

    public static void Add(DemoTree tree, string edition)
    {
        foreach (var group in Sounds.GroupBy(s => s.Group))
        {
            var rows = new StringBuilder("name,loop_from,loop_to,gain_db\n");
            foreach (var (_, name, make, loops) in group)
            {
                tree.Draw($"audio/{group.Key}/{name}.wav", $"sound {name}", () => make().ToWav());
                rows.Append(name).Append(loops ? ",0,128000,-4\n" : ",,,\n");
            }

            tree.Text($"audio/{group.Key}.csv", rows.ToString());
        }

        if (edition == "3.0") return;
        var known = Signals.Where(s => string.CompareOrdinal(s.Since, edition) <= 0).ToList();
        tree.Text(
            "codes/signals.csv",
            "code,name,group,since,status\n" + string.Concat(
                known.Select(s => $"{s.Code},{s.Name},{s.Occasion},{s.Since},{(s.Required ? "required" : "optional")}\n")));
        foreach (var (name, occasions) in Towers)
            tree.Json(
                $"entries/towers/{name}.json",
                Tower($"moor.{name}_tower", edition, occasions, ["bells/low_1", "bells/mid_1", "bells/high_1"]));
    }

    /// <summary>A tower that rings every signal of its occasions.</summary>
    public static JsonObject Tower(string id, string edition, string[] occasions, string[] sounds) => new()
    {
        ["id"] = id,
        ["occasions"] = new JsonArray([.. occasions.Select(o => JsonValue.Create(o))]),
        ["peals"] = new JsonArray(
        [
            .. Signals
                .Where(s => occasions.Contains(s.Occasion) && string.CompareOrdinal(s.Since, edition) <= 0)
                .Select((s, i) => (JsonNode)Peal(s.Code, "any", sounds[i % sounds.Length], sounds[(i + 1) % sounds.Length])),
        ]),
    };

    /// <summary>What is rung at a signal: sounds, the first more often.</summary>
    public static JsonObject Peal(string signal, string weather, params string[] sounds) => new()
    {
        ["signal"] = signal,
        ["weather"] = weather,
        ["strokes"] = new JsonArray(
        [
            .. sounds.Distinct()
                .Select((s, i) => (JsonNode)new JsonObject { ["audio"] = s, ["turns"] = i == 0 ? 3 : 1, ["rest_ms"] = 600 + (200 * i) }),
        ]),
    };
}
