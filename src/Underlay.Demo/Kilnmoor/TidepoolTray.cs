using Underlay.Core.Hosts;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo.Kilnmoor;

/// <summary>Forty files as an author has them before a pack: loose, nested, misnamed, too large, and some in a ZIP.</summary>
internal static class TidepoolTray
{
    private static readonly Tint Sea = Tint.Hex(0x5FA8A0);

    public static FileTree Make()
    {
        var tree = new DemoTree();
        foreach (var (name, surface, side) in Surfaces)
            tree.Picture(name, Tinted(SurfaceList.All.Single(s => s.Name == surface).Paint(), side));
        foreach (var (name, ware, what, scale) in Wares) tree.Picture(name, Ware(ware, what, scale));
        tree.Json("defs/ware.json", KilnmoorBase.Entry("saltbrook.tide_cup", "cup", "white_clay", 9));
        tree.Json("defs/sea jar.json", KilnmoorBase.Entry("saltbrook.sea_jar", "jar", "stoneware", 26));
        tree.Json("defs/gravel_path.surface.json", KilnmoorBase.Descriptor("sand", "solid", 0.9));
        tree.Picture("IMG_0231.png", Ware("bread_plate", "shelf", 1));
        tree.Picture(
            "sketch.png",
            Raster.Paint(640, 480, (u, v) => Tint.Mix(Tint.Hex(0xF4F0E6), Sea, Math.Abs(Math.Sin(u * 9) - (v * 2)) < 0.02 ? 1 : 0)));
        tree.Text("read me.txt", "The bowl is in the zip. The sketch is only for later.\n");
        tree.Bytes("glazes-final.zip", Zip(
            ("glazes/Water Jug shelf copy.png", Ware("water_jug", "shelf", 1)),
            ("glazes/broth-bowl/skin.png", Ware("broth_bowl", "skin", 1)),
            ("glazes/Honey Pot mask.png", Ware("honey_pot", "mask", 1))));
        return tree.ToTree();
    }

    private static (string Name, string Surface, int Side)[] Surfaces =>
    [
        ("flagstone_grey.png", "flagstone_grey", 128),
        ("flagstone red.png", "flagstone_red", 128),
        ("FLAGSTONE_LICHENED.PNG", "flagstone_lichened", 128),
        ("setts-quay (2).png", "setts_quay", 128),
        ("setts_dark_v3.png", "setts_dark", 128),
        ("export/surfaces/setts_pale.png", "setts_pale", 128),
        ("export/art/surfaces/quay_stone.png", "quay_stone", 128),
        ("my pack/art/surfaces/slate_roof.png", "slate_roof", 128),
        ("sand_dry final.png", "sand_dry", 128),
        ("sand ripled.png", "sand_rippled", 128),
        ("water_pnod.png", "water_pond", 128),
        ("mossbank.png", "moss_bank", 128),
        ("deal_limed@2x.png", "deal_limed", 256),
        ("deal_grey copy 2.png", "deal_grey", 500),
        ("thatch roof.png", "thatch_roof", 300),
        ("ReedMat.png", "reed_mat", 128),
    ];

    private static (string Name, string Ware, string What, int Scale)[] Wares =>
    [
        ("water_jug/skin.png", "water_jug", "skin", 1),
        ("wares/oil_jar/shelf.png", "oil_jar", "shelf", 1),
        ("broth_bowl_shelf.png", "broth_bowl", "shelf", 1),
        ("bread plate - shelf.png", "bread_plate", "shelf", 1),
        ("shelf_tea_cup.png", "tea_cup", "shelf", 1),
        ("Cider Bottle (shelf).png", "cider_bottle", "shelf", 2),
        ("reed-vase-skin.png", "reed_vase", "skin", 1),
        ("salt crock skin.png", "salt_crock", "skin", 1),
        ("salt crock mask.png", "salt_crock", "mask", 1),
        ("wash basin.png", "wash_basin", "shelf", 1),
        ("milk_pitcher_mask_final.png", "milk_pitcher", "mask", 1),
        ("honey_pot/honey_pot_skin.png", "honey_pot", "skin", 1),
        ("honeypot shelf.png", "honey_pot", "shelf", 1),
        ("ale_beeker shelf.png", "ale_beaker", "shelf", 1),
        ("reed_vase/shelf.png", "reed_vase", "shelf", 1),
        ("old/tea cup skin OLD.png", "tea_cup", "skin", 1),
        ("cider_bottle_mask.png", "cider_bottle", "mask", 1),
    ];

    private static Raster Tinted(Raster picture, int side) =>
        Raster.Paint(side, side, (u, v) => Tint.Mix(picture.Sample(u, v), Sea, 0.25) with { A = picture.Sample(u, v).A });

    private static Raster Ware(string name, string what, int scale)
    {
        var ware = WareList.All.Single(w => w.Name == name) with
        {
            Seed = 700,
            Glaze = new GlazeLook(Tint.Hex(0x2F8F86), Tint.Hex(0xE9EFE4), 0.7, 0.9),
        };
        return what switch
        {
            "shelf" => KilnmoorBase.Shelf(ware, 56 * scale),
            "skin" => KilnmoorBase.Skin(ware),
            _ => KilnmoorBase.Mask(ware),
        };
    }

    private static byte[] Zip(params ReadOnlySpan<(string Path, Raster Picture)> files)
    {
        using var stream = new MemoryStream();
        using var zip = new ZipWriter(stream);
        foreach (var (path, picture) in files) zip.Write(ZipWriter.Pack(PackPath.Parse(path), picture.ToPng(), EntryMethod.Stored));
        zip.Finish();
        return stream.ToArray();
    }
}
