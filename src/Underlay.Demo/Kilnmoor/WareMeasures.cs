using System.Text.Json.Nodes;

namespace Underlay.Demo.Kilnmoor;

/// <summary>How large, heavy and hard the base's wares are, and what they suit.</summary>
internal static class WareMeasures
{
    private static readonly Dictionary<string, Measures> All =
        new(StringComparer.Ordinal)
        {
            ["water_jug"] = new(5.5, 9.5, 24, 1800, 1250, "market_day", 1),
            ["oil_jar"] = new(5.5, 10, 26, 2400, 1600, "harvest", 2),
            ["broth_bowl"] = new(7, 7.5, 8, 650, 420, "kiln_feast", 2),
            ["bread_plate"] = new(6, 14, 4, 300, 700, "wedding", 1),
            ["tea_cup"] = new(6.5, 5, 7.5, 220, 180, "wedding", 3),
            ["cider_bottle"] = new(7.5, 8, 28, 1000, 980, "harvest", 3),
            ["reed_vase"] = new(6, 9, 34, 2100, 1400, "spring_fair", 3),
            ["salt_crock"] = new(8, 12, 18, 2600, 2100, "long_night", 1),
            ["wash_basin"] = new(6, 16, 11, 3800, 2300, "market_day", -1),
            ["ale_beaker"] = new(5, 6, 13, 420, 310, "spring_fair", 2),
            ["milk_pitcher"] = new(6, 9, 21, 1500, 1050, "harvest", 1),
            ["honey_pot"] = new(5.5, 8.5, 12, 700, 560, "long_night", 2),
            ["ink_well"] = new(5, 5, 5, 90, 150, "market_day", -2),
            ["butter_dish"] = new(6, 12, 6, 350, 620, "harvest", 1),
        };

    /// <summary>How much clay goes into one, in kilograms.</summary>
    public static double ClayOf(Ware ware) => All[ware.Name].Weight / 1000.0;

    /// <summary>The fields of a ware's entry.</summary>
    public static IEnumerable<(string Field, JsonNode Value)> Of(Ware ware)
    {
        var (hardness, foot, height, volume, weight, suits, how) = All[ware.Name];
        yield return ("hardness", hardness);
        yield return ("foot_cm", foot);
        yield return ("height_cm", height);
        yield return ("volume_ml", volume);
        yield return ("weight_g", weight);
        yield return ("suits", new JsonObject { [suits] = how });
        yield return ("rings", "tools/cup_tap");
    }

    private sealed record Measures(double Hardness, double Foot, double Height, int Volume, int Weight, string Suits, int How);
}
