using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>
/// Sea glazes with deliberate mistakes of different kinds, and what a person has to put right in them: what
/// <c>underlay fix</c> repairs by itself is not among the mended files.
/// </summary>
internal static class TidepoolPack
{
    private static readonly Palette Clay = Palette.Of(0x8A7C66, 0xB3A58B, 0xD6CAB0);
    private static readonly Tint Slip = Tint.Hex(0x274B57);
    private static readonly GlazeLook Tide = new(Tint.Hex(0x2F8F86), Tint.Hex(0xE9EFE4), 0.8, 1);
    private static readonly GlazeLook Deep = new(Tint.Hex(0x1F4A78), Tint.Hex(0x63B3A6), 0.5, 0.9);
    private static readonly GlazeLook Kelp = new(Tint.Hex(0x4D5A22), Tint.Hex(0xB08B2E), 0.2, 1);
    private static readonly GlazeLook Mussel = new(Tint.Hex(0x3A3560), Tint.Hex(0xA9B7D6), 0.7, 0.8);

    public static FileTree Make()
    {
        var tree = new DemoTree();
        tree.Json(
            "firing.json",
            MoorpathsPack.Manifest("saltbrook.tidepool", "1.2.0", "Tidepool Glazes", "Sea glazes and the shore they come from."));
        tree.Bytes("front.png", PngExtras.WithChunk(Front().ToPng(), "edIt", Filler(170_000)));
        AddSurfaces(tree);
        AddWares(tree);
        AddVillage(tree);
        TidepoolCraft.Add(tree);
        tree.Text("notes.txt", "Still to do: lighter front picture, ask about the crock.\n");
        return tree.ToTree();
    }

    public static FileTree MakeMended() => TidepoolCraft.AddMended(new DemoTree())
        .Picture("front.png", Front())
        .Picture("art/surfaces/sand_rippled.png", WetSand(128))
        .Picture("art/surfaces/straw_loose.png", Wrack())
        .Json("art/surfaces/saltbrook_tideline.surface.json", KilnmoorBase.Descriptor("sand", "solid", 0.7, "saltbrook_kelp"))
        .Picture(
            "art/surfaces/saltbrook_shell.png",
            Grounds.Pebbles(128, 611, 11, Palette.Of(0x8E8378, 0xD2C6B4, 0xF6EEE2), Tint.Hex(0xB79F7C)))
        .Json("art/surfaces/saltbrook_mussel.surface.json", KilnmoorBase.Descriptor("stone", "solid", 0.4))
        .Json("art/surfaces/saltbrook_reef.surface.json", KilnmoorBase.Descriptor("stone", "solid", 1))
        .Picture("wares/broth_bowl/shelf.png", Shelf(WareList.Bowl, Deep, 621))
        .Picture("wares/oil_jar/shelf.png", Shelf(WareList.Jar, Mussel, 622))
        .Picture("wares/water_jug/mask.png", Pots.Mask(256, 128, 620, Tide.Drips))
        .Picture("wares/salt_crock/mask.png", Pots.Mask(128, 64, 623, 0.7))
        .Picture("wares/wash_basin/skin.png", Skin(192, 64, 624))
        .Picture("art/awnings/quay/lamp.png", Awning(Daylight.Lamp))
        .Picture("art/embers/surfaces/setts_quay.png", Fire.Embers(128, 640, 9, 0.4))
        .Json("art/surfaces/setts_quay.surface.json", Glowing())
        .Picture("art/embers/wares/salt_crock.png", Fire.Glow(128, 64, 641))
        .Picture("art/flames/pit/04.png", Flame(4))
        .Picture("art/friezes/spring.png", Spring())
        .Picture("art/scenes/quay.png", Views.Scene(264, 150, Shore))
        .Picture("art/seals/saltbrook_wave.png", Wave(0.075))
        .Text("tables/seals.csv", "code,do,name\nsaltbrook_wave,add,Wave\nsaltbrook_tide,add,Tide\n")
        .Json("wares/tide_tray/ware.json", Tray("099"))
        .Picture("wares/tide_cup/skin.png", Skin(64, 64, 631))
        .Picture("wares/tide_cup/mask.png", Pots.Mask(64, 64, 631, Tide.Drips))
        .Json("wares/tide_bowl/ware.json", KilnmoorBase.Entry("saltbrook.tide_bowl", "bowl", "white_clay", 12))
        .Json("wares/sea_jar/ware.json", KilnmoorBase.Entry("saltbrook.sea_jar", "jar", "stoneware", 26))
        .Json("wares/kelp_bottle/ware.json", KilnmoorBase.Entry("saltbrook.kelp_bottle", "bottle", "stoneware", 17))
        .ToTree();

    private static void AddSurfaces(DemoTree tree)
    {
        var folder = "art/surfaces";
        tree.Picture($"{folder}/water_pond.png", Grounds.Water(128, 601, Palette.Of(0x123C44, 0x1F7A78, 0x9FE0CC), 1, 0.5));
        tree.Picture($"{folder}/saltbrook_kelp.png", Grounds.Straw(128, 602, Palette.Of(0x2E3A16, 0x5B6A24, 0x9A9A3C), 2.4, 0.6));
        tree.Json($"{folder}/saltbrook_kelp.surface.json", KilnmoorBase.Descriptor("grass", "cut", 0.6));

        // No descriptor beside it.
        tree.Picture($"{folder}/saltbrook_foam.png", Grounds.Water(128, 603, Palette.Of(0x7FB8B4, 0xC4E2DC, 0xFFFFFF), 1.4, 0.35));

        // No power of two.
        tree.Picture($"{folder}/sand_rippled.png", WetSand(96));

        // Soft edges where the base's descriptor says solid or clear.
        tree.Picture($"{folder}/straw_loose.png", Wrack().Map((x, y, t) => t.A > 0.5 && (x + y) % 3 == 0 ? t.WithAlpha(0.6) : t));

        // What shows through is a letter off.
        tree.Picture($"{folder}/saltbrook_tideline.png", Grounds.Earth(128, 605, Palette.Of(0x8C7650, 0xB49C72, 0xE6D6B0), 0.5, 0.5));
        tree.Json($"{folder}/saltbrook_tideline.surface.json", KilnmoorBase.Descriptor("sand", "solid", 0.7, "saltbrook_kelpp"));

        // A folder that lost its last letter, and an extension too many.
        tree.Picture(
            "art/surface/setts_quay.png",
            Grounds.Pebbles(128, 606, 7, Palette.Of(0x2C4A4E, 0x55817E, 0xA6CDBE), Tint.Hex(0x23302C)));
        tree.Picture(
            $"{folder}/quay_stone.png.png",
            Grounds.Courses(128, 607, 3, 2, 0.07, Palette.Of(0x3A5558, 0x64868A, 0xA4BDB8), Tint.Hex(0x24332F), Tint.Hex(0x4F7A4A)));

        // A descriptor without its picture.
        tree.Json($"{folder}/saltbrook_shell.surface.json", KilnmoorBase.Descriptor("sand", "solid", 0.8));

        // A comma too many, and a value beyond its range.
        tree.Picture(
            $"{folder}/saltbrook_mussel.png",
            Grounds.Pebbles(128, 608, 10, Palette.Of(0x23233A, 0x464870, 0x8C93BE), Tint.Hex(0x2B2A26)));
        tree.Text(
            $"{folder}/saltbrook_mussel.surface.json",
            "{\n  \"made_of\": \"stone\",\n  \"edge\": \"solid\",\n  \"rough\": 0.4,\n}\n");
        tree.Picture($"{folder}/saltbrook_reef.png", Grounds.Cracked(128, 609, 8, Palette.Of(0x6E4A44, 0xA87468, 0xE0B4A0)));
        tree.Json($"{folder}/saltbrook_reef.surface.json", KilnmoorBase.Descriptor("stone", "solid", 1.4));
    }

    private static void AddWares(DemoTree tree)
    {
        // Twice the size of the base's, whose mask stays behind.
        tree.Picture("wares/water_jug/shelf.png", Shelf(WareList.Jug, Tide, 620));
        tree.Picture("wares/water_jug/skin.png", Skin(256, 128, 620));

        // The size of earlier editions.
        tree.Picture("wares/broth_bowl/shelf.png", Shelf(WareList.Bowl, Deep, 621, 48));

        // Alpha lost on saving.
        tree.Picture(
            "wares/oil_jar/shelf.png",
            Shelf(WareList.Jar, Mussel, 622).Map((_, _, t) => Tint.Mix(Tint.Hex(0xFFFFFF), t, t.A).WithAlpha(1)));

        // Yellow where red is wanted.
        tree.Picture("wares/salt_crock/mask.png", Pots.Mask(128, 64, 623, 0.7).Map((_, _, t) => t.R > 0.5 ? t with { G = 0.8 } : t));

        // Cut off while it was copied.
        var basin = Skin(192, 64, 624).ToPng();
        tree.Bytes("wares/wash_basin/skin.png", basin[..(basin.Length * 2 / 3)]);

        // A skin and its mask that cannot be divided by 16.
        tree.Json("wares/tide_cup/ware.json", KilnmoorBase.Entry("saltbrook.tide_cup", "cup", "white_clay", 9));
        tree.Picture("wares/tide_cup/shelf.png", Shelf(WareList.Cup, Tide, 631));
        tree.Picture("wares/tide_cup/skin.png", Skin(72, 64, 631));
        tree.Picture("wares/tide_cup/mask.png", Pots.Mask(72, 64, 631, Tide.Drips));

        // The id does not end with the folder's name.
        tree.Json("wares/tide_bowl/ware.json", KilnmoorBase.Entry("saltbrook.tidebowl", "bowl", "white_clay", 12));
        tree.Picture("wares/tide_bowl/shelf.png", Shelf(WareList.Bowl, Tide, 632));
        tree.Picture("wares/tide_bowl/skin.png", Skin(128, 64, 632));

        // Somebody else's prefix.
        tree.Json("wares/sea_jar/ware.json", KilnmoorBase.Entry("tidepool.sea_jar", "jar", "stoneware", 26));
        tree.Picture("wares/sea_jar/shelf.png", Shelf(WareList.Jar, Deep, 633));
        tree.Picture("wares/sea_jar/skin.png", Skin(128, 64, 633));

        // A shape that does not exist.
        tree.Json("wares/kelp_bottle/ware.json", KilnmoorBase.Entry("saltbrook.kelp_bottle", "bottel", "stoneware", 17));
        tree.Picture("wares/kelp_bottle/shelf.png", Shelf(WareList.Bottle, Kelp, 634));
        tree.Picture("wares/kelp_bottle/skin.png", Skin(128, 128, 634));
    }

    private static void AddVillage(DemoTree tree)
    {
        // A set without its last member.
        tree.Picture("art/awnings/quay/dawn.png", Awning(Daylight.Dawn));
        tree.Picture("art/awnings/quay/noon.png", Awning(Daylight.Noon));

        // Nothing switches the first glow on; the second is red where grey is wanted.
        tree.Picture("art/embers/surfaces/setts_quay.png", Fire.Embers(128, 640, 9, 0.4));
        tree.Picture("art/embers/wares/salt_crock.png", Fire.Glow(128, 64, 641).Map((_, _, t) => t with { G = t.G * 0.5, B = t.B * 0.2 }));

        // One picture of a series on another canvas.
        for (var i = 1; i <= 8; i++)
            tree.Picture($"art/flames/pit/0{i}.png", i == 4 ? Fire.Flame(48, 60, 642, 3 / 8.0, SeaFire, 0.8) : Flame(i));

        // A ribbon over all seven fields.
        tree.Picture(
            "art/friezes/spring.png",
            Spring().Map((x, y, t) => Math.Abs(y - 76 - (12 * Math.Sin(x / 40.0))) < 7 ? Tint.Hex(0xC8405A) : t));

        // The scene of an earlier edition, as it was.
        var quay = Village.Markets.Single(m => m.Code == "quay");
        tree.Picture("art/scenes/quay.png", Views.Scene(240, 135, quay.View));

        // A seal without a row, one too fine to read, and a row of the base's own.
        tree.Picture("art/seals/saltbrook_tide.png", Seals.Paint(60, 643, SealForm.Oval, SealMotif.Waves, Tint.Hex(0x6E7A70)));
        tree.Picture("art/seals/saltbrook_wave.png", Wave(0.012));
        tree.Text("tables/seals.csv", "code,do,name\nsaltbrook_wave,add,Wave\nquayside,change,Quayside\n");

        // A number that no ware has, and one that another has already.
        tree.Picture(
            "art/stalls/099.png",
            KilnmoorBase.Stall(WareList.All.Single(w => w.Name == "tea_cup") with { Glaze = Tide, Seed = 645 }));
        tree.Json("wares/tide_tray/ware.json", Tray("004"));
        tree.Picture("wares/tide_tray/shelf.png", Shelf(WareList.Plate, Tide, 646));
        tree.Picture("wares/tide_tray/skin.png", Skin(128, 64, 646));
        tree.Json("entries/glazes/tide.json", TidepoolCraft.Glaze("crakle"));

        // The base has this skin as DDS, which beats every PNG.
        tree.Picture("wares/reed_vase/skin.png", Skin(128, 128, 644));

        // What 3.1 called flagstone, a glaze that is the base's own, a copy kept of a surface, and what a system leaves.
        tree.Picture(
            "art/surfaces/flagstone.png",
            Grounds.Courses(128, 647, 4, 3, 0.09, Palette.Of(0x4C5A60, 0x748890, 0xA6B8BA), Tint.Hex(0x3A4648)));
        tree.Json("entries/glazes/olive.json", KilnmoorBase.Glaze("moor.olive", "#6a7a34", "#33471e"));
        tree.Picture("art/surfaces/water_pond_old.png", Grounds.Water(128, 648, Palette.Of(0x1E4A52, 0x2A7A80, 0xA8D8D0), 1, 0.5));
        tree.Bytes("wares/thumbs.db", Filler(600));
    }

    private static readonly Palette SeaFire = Palette.Of(0x1F6A8A, 0x4AB8A8, 0xE8F8D8);

    private static Outlook Shore { get; } = new(
        649,
        Tint.Hex(0x5F8EA8),
        Tint.Hex(0xE6E0CC),
        Tint.Hex(0x5A7A86),
        Tint.Hex(0x2F6A74),
        6,
        Water: true);

    private static Raster Awning(Daylight light) => Cloth.Awning(650, Tint.Hex(0x1F6A74), Tint.Hex(0xE6F0E8), 7, light);

    private static Raster Flame(int number) => Fire.Flame(48, 64, 642, (number - 1) / 8.0, SeaFire, 0.8);

    private static Raster Spring() =>
        Views.Frieze(
            new Outlook(651, Tint.Hex(0x8FC0DC), Tint.Hex(0xF2F0DC), Tint.Hex(0x6F9A8A), Tint.Hex(0x7AA890), 4),
            Tint.Hex(0x6C7A66),
            Tint.Hex(0x5AAE7A));

    private static Raster Wave(double stroke) => Seals.Paint(88, 652, SealForm.Tablet, SealMotif.Of("WAVE", stroke), Tint.Hex(0x8C7A66));

    private static JsonObject Tray(string stall)
    {
        var tray = KilnmoorBase.Entry("saltbrook.tide_tray", "plate", "white_clay", 8);
        tray["stall"] = stall;
        return tray;
    }

    private static JsonObject Glowing()
    {
        var descriptor = KilnmoorBase.Descriptor("stone", "solid", 0.6);
        descriptor["ember"] = 0.4;
        return descriptor;
    }

    private static Raster Front() => Fronts.ShelfOf(
        Grounds.Boards(128, 651, 5, Palette.Of(0x3B3A36, 0x63625A, 0x96958A)),
        Tint.Hex(0xBFD0CA),
        0,
        Shelf(WareList.Jug, Tide, 620, 128),
        Shelf(WareList.Bowl, Deep, 621, 104),
        Shelf(WareList.Bottle, Kelp, 634, 136));

    private static Raster WetSand(int size) => Grounds.Ripples(size, 604, Palette.Of(0x6F6A50, 0xA39874, 0xDCD2AE));

    private static Raster Wrack() => Grounds.Straw(128, 610, Palette.Of(0x4A3A22, 0x7F6A3A, 0xC0A866), 5.5, 0.7);

    private static Raster Skin(int width, int height, int seed) => Pots.Skin(width, height, seed, Clay, Slip);

    private static Raster Shelf(PotShape shape, GlazeLook glaze, int seed, int side = 56) =>
        KilnmoorBase.Shelf(new Ware("", shape, "", 1, (128, 64), Clay, Slip, glaze, seed), side);

    /// <summary>What an editor may keep in a file for itself: bytes that do not pack.</summary>
    private static byte[] Filler(int length)
    {
        var noise = new Noise(699);
        return [.. Enumerable.Range(0, length).Select(i => (byte)(noise.At(i, 1) * 255))];
    }
}
