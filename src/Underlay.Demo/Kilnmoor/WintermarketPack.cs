using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>Two markets in winter dress: awnings, boards and scenes, clean.</summary>
internal static class WintermarketPack
{
    private static readonly Tint Red = Tint.Hex(0x8E2F34);
    private static readonly Tint Wool = Tint.Hex(0xF0EADC);

    public static FileTree Make()
    {
        var tree = new DemoTree();
        var manifest = MoorpathsPack.Manifest(
            "saltbrook.wintermarket",
            "1.0.0",
            "Winter Market",
            "Snow on the quay and the green, and warm awnings over the stalls.");
        tree.Json("firing.json", manifest);
        foreach (var market in Village.Markets.Where(m => m.Code is "quay" or "green"))
        {
            foreach (var light in Enum.GetValues<Daylight>())
                tree.Picture(
                    $"art/awnings/{market.Code}/{light.ToString().ToLowerInvariant()}.png",
                    Cloth.Awning(
                        market.View.Seed + 100,
                        market.Code == "quay" ? Tint.Hex(0x2A5A7A) : Red,
                        Wool,
                        market.Stripes,
                        light,
                        emblem: 0.016));
            tree.Picture($"art/scenes/{market.Code}.png", Views.Scene(264, 150, Snowy(market.View)));
        }

        foreach (var side in KilnmoorBase.BoardWidths)
            tree.Picture(
                $"art/boards/oak/{side}.png",
                Cloth.Board(side, 175, Palette.Of(0x4E3A2A, 0x7A5C40, 0xA88A68), Tint.Hex(0x6A2A2C), 0.9));
        AddWinter(tree);
        tree.Picture("front.png", Front());
        return tree.ToTree();
    }

    /// <summary>What is held, rung and read in winter.</summary>
    private static void AddWinter(DemoTree tree)
    {
        tree.Json(
            "entries/plans/green.json",
            MarketGrounds.Plan("moor.green_ground", ["market_day", "spring_fair", "wedding", "long_night"]));
        tree.Json(
            "entries/towers/green.json",
            Bells.Tower(
                "moor.green_tower",
                "4.0",
                ["spring_fair", "market_day", "long_night"],
                ["bells/saltbrook_frost_1", "bells/saltbrook_frost_2", "bells/high_1"]));
        tree.Bytes("audio/bells/saltbrook_frost_1.wav", Tones.Bell(587, 1.4).ToWav());
        tree.Bytes("audio/bells/saltbrook_frost_2.wav", Tones.Bell(698, 1.4).ToWav());
        tree.Text("audio/bells.csv", "name,loop_from,loop_to,gain_db\nsaltbrook_frost_1,,,\nsaltbrook_frost_2,,,-2\n");
        tree.Text("tables/almanac.csv", "code,do,season\nsaltbrook_ice_fair,add,winter\nsaltbrook_short_days,add,winter\n");
        tree.Text(
            "texts/wintermarket.csv",
            "key,en,de,fr\n"
                + Sayings.Row(
                    "saltbrook_ice_fair/line",
                    "Ice fair: stalls on the river.",
                    "Eismarkt: Stände auf dem Fluss.",
                    "Foire sur glace.")
                + Sayings.Row(
                    "saltbrook_short_days/line",
                    "Short days: fire before noon.",
                    "Kurze Tage: vor Mittag brennen.",
                    "Jours courts."));
    }

    private static Outlook Snowy(Outlook view) => view with
    {
        Seed = view.Seed + 100,
        High = Tint.Mix(view.High, Tint.Hex(0x8FA2B4), 0.6),
        Low = Tint.Mix(view.Low, Tint.Hex(0xE8EEF2), 0.5),
        Far = Tint.Mix(view.Far, Tint.Hex(0xC4D0D8), 0.5),
        Near = view.Water ? Tint.Mix(view.Near, Tint.Hex(0x5A7C8E), 0.6) : Tint.Hex(0xBCC8D0),
    };

    private static Raster Front()
    {
        var scene = Views.Scene(320, 200, Snowy(Village.Markets.Single(m => m.Code == "green").View));
        var noise = new Noise(181);
        return scene.Map((x, y, t) => noise.At(x, y) > 0.992 ? Tint.Hex(0xF6FAFC) : t);
    }
}
