using System.Globalization;
using Underlay.Core.Packs;
using Underlay.Demo.Art;
using Underlay.Demo.Kilnmoor;

namespace Underlay.Demo;

/// <summary>Sound packs of any size, for measuring.</summary>
public static class LargePack
{
    private const int PicturesOfWare = 3;

    private const int MembersOfBoard = 4;

    /// <summary>
    /// Draws a pack of mixed places: of ten pictures four are surfaces, four belong to wares, one is a seal and one a member of a
    /// board.
    /// </summary>
    /// <param name="pictures">How many pictures; no two have the same bytes.</param>
    /// <returns>The manifest and then one tree a surface or ware.</returns>
    public static IReadOnlyList<FileTree> Make(int pictures)
    {
        var wares = pictures * 2 / 5 / PicturesOfWare;
        var boards = pictures / 10 / MembersOfBoard;
        var seals = pictures / 10;
        var surfaces = pictures - (wares * PicturesOfWare) - (boards * MembersOfBoard) - seals;
        var trees = new FileTree[1 + surfaces + wares + boards + seals];
        var table = $"code,do,name\n{string.Concat(Enumerable.Range(0, seals).Select(i => $"{SealName(i)},add,Seal {i}\n"))}";
        var texts = $"key,en,de,fr\n{string.Concat(Enumerable.Range(0, wares).Select(TextsOf))}";
        trees[0] = new DemoTree()
            .Json("firing.json", WithoutFront())
            .Text("tables/seals.csv", table)
            .Text("texts/wares.csv", texts)
            .ToTree();
        Parallel.For(0, surfaces, i => trees[1 + i] = MakeSurface(i));
        Parallel.For(0, wares, i => trees[1 + surfaces + i] = MakeWare(i));
        Parallel.For(0, boards, i => trees[1 + surfaces + wares + i] = MakeBoard(i));
        Parallel.For(0, seals, i => trees[1 + surfaces + wares + boards + i] = MakeSeal(i));
        return trees;
    }

    /// <summary>Draws a pack of small surfaces, 32 x 32 pixels with a descriptor each: the work around each file counts most.</summary>
    /// <param name="pictures">How many pictures; no two have the same bytes.</param>
    /// <returns>The manifest and then one tree a surface.</returns>
    public static IReadOnlyList<FileTree> MakeSmall(int pictures)
    {
        var trees = new FileTree[1 + pictures];
        trees[0] = new DemoTree().Json("firing.json", WithoutFront()).ToTree();
        var stone = Palette.Of(0x4C5A62, 0x7C8C90, 0xBCC6C2);
        Parallel.For(0, pictures, i => trees[1 + i] = SurfaceOf(i, Grounds.Pebbles(32, 50_000 + i, 8, stone, Tint.Hex(0x3C3A30))));
        return trees;
    }

    private static System.Text.Json.Nodes.JsonObject WithoutFront()
    {
        var manifest = MoorpathsPack.Manifest("saltbrook.large", "1.0.0", "Large", "For measuring.");
        manifest.Remove("front");
        return manifest;
    }

    private static string SealName(int number) => string.Create(CultureInfo.InvariantCulture, $"saltbrook_e{number:D5}");

    private static string WareName(int number) => string.Create(CultureInfo.InvariantCulture, $"w{number:D5}");

    private static string TextsOf(int ware) =>
        $"saltbrook.{WareName(ware)}/name,Ware {ware},,\nsaltbrook.{WareName(ware)}/about,The one with the number {ware}.,,\n";

    private static FileTree MakeSeal(int number)
    {
        var text = string.Create(CultureInfo.InvariantCulture, $"{(char)('A' + (number % 26))}{(char)('A' + (number / 26 % 26))}");
        return new DemoTree()
            .Picture(
                $"art/seals/{SealName(number)}.png",
                Seals.Paint(60, 30_000 + number, number % 2 == 0 ? SealForm.Oval : SealForm.Tablet, SealMotif.Of(text), Tint.Hex(0x7A6A58)))
            .ToTree();
    }

    private static FileTree MakeBoard(int number)
    {
        var tree = new DemoTree();
        foreach (var width in KilnmoorBase.BoardWidths)
            tree.Picture(
                string.Create(CultureInfo.InvariantCulture, $"art/boards/saltbrook_b{number:D5}/{width}.png"),
                Cloth.Board(width, 40_000 + number, Palette.Of(0x5A3F25, 0x8A6539, 0xB98F58), Tint.Hex(0x3C2A1A), 0.9));
        return tree.ToTree();
    }

    private static FileTree MakeSurface(int number)
    {
        var stone = Palette.Of(0x4C5A62, 0x7C8C90, 0xBCC6C2);
        return SurfaceOf(number, (number % 3) switch
        {
            0 => Grounds.Pebbles(128, 10_000 + number, 8, stone, Tint.Hex(0x3C3A30)),
            1 => Grounds.Courses(64, 10_000 + number, 4, 3, 0.1, stone, Tint.Hex(0x3C3A30)),
            _ => Grounds.Earth(128, 10_000 + number, stone, 0.5),
        });
    }

    private static FileTree SurfaceOf(int number, Raster picture)
    {
        var name = string.Create(CultureInfo.InvariantCulture, $"art/surfaces/saltbrook_s{number:D5}");
        var surface = SurfaceList.All[number % SurfaceList.All.Count];
        return new DemoTree()
            .Picture($"{name}.png", picture)
            .Json($"{name}.surface.json", KilnmoorBase.Descriptor(surface.MadeOf, "solid", surface.Rough))
            .ToTree();
    }

    private static FileTree MakeWare(int number)
    {
        var ware = WareList.All[number % WareList.All.Count] with
        {
            Name = WareName(number),
            Seed = 20_000 + number,
        };
        return new DemoTree()
            .Json($"wares/{ware.Name}/ware.json", KilnmoorBase.Entry($"saltbrook.{ware.Name}", ware.Shape.Name, ware.MadeOf, ware.Price))
            .Picture($"wares/{ware.Name}/skin.png", KilnmoorBase.Skin(ware))
            .Picture($"wares/{ware.Name}/mask.png", KilnmoorBase.Mask(ware))
            .Picture($"wares/{ware.Name}/shelf.png", KilnmoorBase.Shelf(ware))
            .ToTree();
    }
}
