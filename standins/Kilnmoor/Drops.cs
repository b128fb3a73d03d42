using StandIns;

namespace Kilnmoor;

/// <summary>Decides what is left out because of other files, in rounds, each on what stood at its start.</summary>
internal sealed class Drops
{
    private static readonly string[] Needed = ["shape", "made_of", "price"];

    private static readonly string[] OtherWares = ["lid", "shelf_of"];

    private readonly Stock stock;

    private Drops(Stock stock) => this.stock = stock;

    public static void Decide(Stock stock)
    {
        var drops = new Drops(stock);
        while (true)
        {
            var found = new List<(LayerFile File, string Code)>();
            for (var i = 0; i < stock.Layers.Length; i++)
                foreach (var file in stock.Layers[i].Files.Values)
                    if (file.Dropped is null && stock.Looks(file.Place) && drops.CodeFor(file, isBase: i == 0) is { } code)
                        found.Add((file, code));
            if (found.Count == 0) return;
            foreach (var (file, code) in found) file.Dropped = code;
        }
    }

    private string? CodeFor(LayerFile file, bool isBase)
    {
        var name = file.Place.Name;
        // A base file that a package covers is not judged.
        if (isBase && stock.Shown(file.Path)?.File != file) return null;
        return file.Place.Kind switch
        {
            PlaceKind.Ware => CodeForWare(file),
            PlaceKind.Descriptor =>
                !stock.Materials.Contains(file.Entry!.Text("made_of")!)
                    ? "dangling"
                    : stock.Shown($"art/surfaces/{name}.png") is null
                    ? "ownerless"
                    : null,
            PlaceKind.SurfaceEmber => stock.Shown($"art/surfaces/{name}.png") is null ? "ownerless" : null,
            PlaceKind.Skin when !isBase && stock.Shown($"wares/{name}/skin.dds") is not null => "outranked",
            PlaceKind.Shelf or PlaceKind.Skin or PlaceKind.SkinDds or PlaceKind.Mask or PlaceKind.WareEmber =>
                stock.Shown($"wares/{name}/ware.json") is null ? "ownerless" : null,
            PlaceKind.Stall => stock.ShownOf(PlaceKind.Ware).Any(w => w.File.Entry!.Text("stall") == name) ? null : "ownerless",
            PlaceKind.Shape => stock.Shapes.Contains(name) ? null : "ownerless",
            PlaceKind.Awning => stock.Markets.Contains(name) ? null : "ownerless",
            PlaceKind.Flame or PlaceKind.FlameTiming => stock.Kilns.Contains(name) ? null : "ownerless",
            PlaceKind.Glaze or PlaceKind.Tower => IsTwice(file) ? "twice" : null,
            PlaceKind.Recipe => IsRecipeDangling(file.Entry!) ? "dangling" : IsTwice(file) ? "twice" : null,
            PlaceKind.Plan => !stock.Occasions.AllReached(file.Entry!) ? "unreachable" : IsTwice(file) ? "twice" : null,
            _ => null,
        };
    }

    private string? CodeForWare(LayerFile file)
    {
        var ware = file.Entry!;
        if (ware.Text("like") is { } like)
        {
            var line = stock.Line(file);
            if (line[^1].Entry!.Text("like") is { } next && stock.WareOf(next) == file) return "circular";
            if (stock.WareOf(like) is null) return "dangling";
            if (Needed.Any(f => stock.WithField(file, f) is null)) return "rejected";
        }

        if (!stock.Shapes.Contains(stock.WithField(file, "shape")!.Text("shape")!)) return "dangling";
        if (!stock.Materials.Contains(stock.WithField(file, "made_of")!.Text("made_of")!)) return "dangling";
        if (stock.WithField(file, "glaze")?.Text("glaze") is { } glaze
            && !stock.ShownOf(PlaceKind.Glaze).Any(g => g.File.Entry!.Text("id") == glaze))
            return "dangling";
        foreach (var field in OtherWares)
            if (stock.WithField(file, field)?.Text(field) is { } other && stock.WareOf(other) is null) return "dangling";
        var isTwice = ware.Text("stall") is { } stall
            && stock
                .ShownOf(PlaceKind.Ware)
                .Any(w => w.File.Entry!.Text("stall") == stall && string.CompareOrdinal(w.File.Path, file.Path) < 0);
        return isTwice ? "twice" : null;
    }

    private bool IsRecipeDangling(Fields recipe)
    {
        if (!stock.Stations.Contains(recipe.Text("station")!)) return true;
        foreach (var part in recipe.Objects("uses")!.Concat(recipe.Objects("makes")!))
        {
            if (part.Text("ware") is { } ware && stock.WareOf(ware) is null) return true;
            if (part.Text("material") is { } material && !stock.Materials.Contains(material)) return true;
        }

        return recipe.Objects("uses")!.Any(u => u.Object("accepts")?.Text("made_of") is { } made && !stock.Materials.Contains(made));
    }

    private bool IsTwice(LayerFile file)
    {
        int Level(LayerFile f) => Array.FindIndex(stock.Layers, l => l.Files.GetValueOrDefault(f.Path) == f);
        return stock.ShownOf(file.Place.Kind).Any(g =>
            g.File != file
            && g.File.Path != file.Path
            && g.File.Entry!.Text("id") == file.Entry!.Text("id")
            && (Level(g.File), g.File.Path).CompareTo((Level(file), file.Path)) > 0);
    }
}
