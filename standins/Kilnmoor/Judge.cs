using System.Globalization;
using StandIns;

namespace Kilnmoor;

/// <summary>Says what the game shows instead of the right thing.</summary>
internal sealed class Judge
{
    private readonly Stock stock;
    private readonly HashSet<string> seals = [];

    public Judge(Stock stock)
    {
        this.stock = stock;
        stock.Over("seals", seals);
    }

    private bool Since(string edition) => Editions.Order(stock.Edition) >= Editions.Order(edition);

    /// <summary>The package that supplies the whole set of a path, or null when none does or the path is no member.</summary>
    public Layer? FindSetOwner(string path)
    {
        var place = Place.Of(path);
        if (place.Kind is not (PlaceKind.Awning or PlaceKind.Board)) return null;
        return stock.Layers
            .Skip(1)
            .LastOrDefault(l => l.Files.Values.Any(f => f.Dropped is null && f.Place.Kind == place.Kind && f.Place.Name == place.Name));
    }

    /// <summary>Members that the package of a set does not have.</summary>
    public IEnumerable<(string Path, string From, string Outcome)> MissingMembers()
    {
        (PlaceKind Kind, string Folder, string[] Members)[] kinds =
        [
            (PlaceKind.Awning, "art/awnings", ["dawn", "noon", "lamp"]),
            (PlaceKind.Board, "art/boards", ["64", "96", "128", "192"]),
        ];
        foreach (var (kind, folder, members) in kinds)
            foreach (
                var name in stock.Layers
                    .Skip(1)
                    .SelectMany(l => l.Files.Values)
                    .Where(f => f.Place.Kind == kind && f.Dropped is null)
                    .Select(f => f.Place.Name)
                    .Distinct())
                foreach (var path in members.Select(m => $"{folder}/{name}/{m}.png"))
                {
                    if (FindSetOwner(path) is not { } owner || (owner.Files.TryGetValue(path, out var there) && there.Dropped is null))
                        continue;
                    yield return (path, owner.Name, stock.Layers[0].Files.ContainsKey(path) ? "unchanged" : "blank");
                }
    }

    /// <summary>Paths at which a shown file wants another and there is none.</summary>
    public IEnumerable<string> Missing(LayerFile file)
    {
        var name = file.Place.Name;
        if (file.Place.Kind == PlaceKind.Plan && stock.Shown($"art/scenes/{name}.png") is null) yield return $"art/scenes/{name}.png";
        if (file.Place.Kind != PlaceKind.Ware) yield break;
        if (stock.Shown($"wares/{name}/shelf.png") is null && !IsLent(file)) yield return $"wares/{name}/shelf.png";
        if (stock.Skin(name) is null) yield return $"wares/{name}/skin.png";
    }

    /// <summary>Whether another ware lends its shelf picture.</summary>
    private bool IsLent(LayerFile ware) =>
        stock.WithField(ware, "shelf_of")?.Text("shelf_of") is { } id
        && stock.WareOf(id) is { } lender
        && stock.Shown($"wares/{lender.Place.Name}/shelf.png") is not null;

    /// <summary>What is wrong inside a shown file: a part of it, and what comes of that.</summary>
    public IEnumerable<(string Key, string Outcome)> Inside(LayerFile file)
    {
        var silent = file.Place.Kind == PlaceKind.Tower ? stock.Occasions.SilentSignals(file.Entry!) : [];
        return silent
            .Select(s => (s, "silent"))
            .Concat(TextsOf(file).Where(k => stock.Texts.GetValueOrDefault(k, "").Length == 0).Select(k => (k, "raw")));
    }

    /// <summary>The keys of texts that a file is shown by.</summary>
    private IEnumerable<string> TextsOf(LayerFile file)
    {
        switch (file.Place.Kind)
        {
            case PlaceKind.Ware:
                var id = file.Entry!.Text("id");
                return stock.WithField(file, "name") is null ? [$"{id}/name", $"{id}/about"] : [$"{id}/about"];
            case PlaceKind.Glaze or PlaceKind.Recipe or PlaceKind.Plan or PlaceKind.Tower:
                return [$"{file.Entry!.Text("id")}/name"];
            case PlaceKind.Techniques:
                return file.Entry!.Objects("entries")!.Select(t => $"{t.Text("id")}/name");
            case PlaceKind.Table when file.Place.Name == "almanac":
                var lines = new HashSet<string>();
                stock.Over("almanac", lines);
                return lines.Select(l => $"{l}/line");
            default:
                return [];
        }
    }

    /// <summary>What is wrong with a shown file.</summary>
    public IEnumerable<string> Outcomes(LayerFile file, Layer? layer = null)
    {
        var (place, picture) = (file.Place, file.Picture!);
        switch (place.Kind)
        {
            case PlaceKind.Surface:
                return Surface(place.Name, picture);
            case PlaceKind.Descriptor:
                return Only(
                    "plain",
                    file.Entry!.Object("under")?.Text("surface") is { } under && stock.Shown($"art/surfaces/{under}.png") is null);
            case PlaceKind.SurfaceEmber:
                var descriptor = stock.Shown($"art/surfaces/{place.Name}.surface.json")?.File.Entry;
                return Only(
                    "unlit",
                    !IsEmber(picture, stock.Shown($"art/surfaces/{place.Name}.png")?.File.Picture, descriptor?.Number("ember")));
            case PlaceKind.WareEmber:
                var ware = stock.Shown($"wares/{place.Name}/ware.json")?.File;
                return Only(
                    "unlit",
                    !IsEmber(
                        picture,
                        stock.Skin(place.Name)?.Picture,
                        ware is null ? null : stock.WithField(ware, "ember")?.Number("ember")));
            case PlaceKind.Shelf:
                var side = Since("4.0") ? 56 : 48;
                return Only("stretched", !Is(picture, side, side)).Concat(
                    Only(
                        "plate",
                        !picture.All(
                            (x, y) => (x > 0 && y > 0 && x < picture.Width - 1 && y < picture.Height - 1) || picture.Alpha(x, y) == 0)));
            case PlaceKind.Skin or PlaceKind.SkinDds:
                return Only("coarse", !IsSkinSide(picture.Width) || !IsSkinSide(picture.Height));
            case PlaceKind.Mask:
                var skin = stock.Skin(place.Name)?.Picture;
                return Only(
                    "unglazed",
                    (skin is not null && !Is(picture, skin.Width, skin.Height))
                        || !picture.All((x, y) => picture.Alpha(x, y) == 255 && picture.Colour(x, y).Green == 0));
            case PlaceKind.Stall:
                return Only("stretched", !Is(picture, 96, 72));
            case PlaceKind.Seal:
                return Only("unlisted", !seals.Contains(place.Name))
                    .Concat(Only("cut", picture.Height != 44 || picture.Width is < 44 or > 132))
                    .Concat(Only("holed", IsSolid(picture)));
            case PlaceKind.Frieze:
                return Only("stretched", !Is(picture, 1190, 150));
            case PlaceKind.Awning:
                return Only("stretched", !Is(picture, 150, 60)).Concat(Only("holed", !IsSolid(picture)));
            case PlaceKind.Board:
                return Only(
                    "stretched",
                    !Is(picture, int.Parse(place.Member, CultureInfo.InvariantCulture), 48)).Concat(Only("holed", IsSolid(picture)));
            case PlaceKind.Sound:
                return Sound(file);
            case PlaceKind.Flame:
                return Flame(file, layer!);
            case PlaceKind.Scene:
                return Only("stretched", Since("4.0") ? !Is(picture, 264, 150) : !Is(picture, 240, 135));
            default:
                return [];
        }
    }

    private IEnumerable<string> Sound(LayerFile file)
    {
        var (sound, group) = (file.Sound!, file.Place.Name);
        if (sound.Rate is not (32_000 or 48_000)) yield return "pitched";
        if (sound.Channels > 1 && group is ("tools" or "kiln" or "street" or "bells")) yield return "left_only";
        if (group is not ("tools" or "kiln" or "street" or "bells" or "ambience") || !IsPlayed(file)) yield return "silent";
    }

    /// <summary>Whether the tables have a row for a sound, the uppermost one with a loop inside it or none.</summary>
    private bool IsPlayed(LayerFile file)
    {
        var row = stock.Layers.Reverse()
            .Select(l => l.Files.GetValueOrDefault($"audio/{file.Place.Name}.csv"))
            .Where(t => t is { Dropped: null, Table: not null })
            .Select(t => t!.Table!.Rows.Where(r => r.Key == file.Place.Member).Select(r => r.Values).LastOrDefault())
            .FirstOrDefault(r => r is not null);
        if (row is null) return false;
        if (row["loop_from"].Length == 0 && row["loop_to"].Length == 0) return true;
        return int.TryParse(row["loop_from"], CultureInfo.InvariantCulture, out var from)
            && int.TryParse(row["loop_to"], CultureInfo.InvariantCulture, out var to)
            && from < to
            && to <= file.Sound!.Frames;
    }

    private IEnumerable<string> Surface(string name, Bitmap picture)
    {
        var descriptor = stock.Shown($"art/surfaces/{name}.surface.json")?.File.Entry;
        if (descriptor is null) yield return "hidden";
        if (picture.Width != picture.Height || picture.Width is not (32 or 64 or 128 or 256 or 512)) yield return "coarse";
        var edge = descriptor?.Text("edge") ?? "solid";
        if (edge != "soft" && !picture.All((x, y) => picture.Alpha(x, y) == 255 || (edge == "cut" && picture.Alpha(x, y) == 0)))
            yield return "holed";
    }

    private IEnumerable<string> Flame(LayerFile file, Layer layer)
    {
        var frames = stock
            .ShownOf(PlaceKind.Flame)
            .Where(f => f.File.Place.Name == file.Place.Name)
            .ToDictionary(f => int.Parse(f.File.Place.Member, CultureInfo.InvariantCulture));
        var number = int.Parse(file.Place.Member, CultureInfo.InvariantCulture);
        if (number == 0 || Enumerable.Range(1, number).Any(n => !frames.ContainsKey(n))) yield return "short";
        var lowest = frames.Keys.Where(n => n > 0).DefaultIfEmpty(0).Min();
        var canvas = frames[lowest].File.Picture!;
        if (!Is(file.Picture!, canvas.Width, canvas.Height)) yield return "jumping";
        var top = stock.Layers.Last(l => l.IsBase || frames.Values.Any(f => f.Layer == l));
        if (layer != top) yield return "mixed";
    }

    private static bool IsEmber(Bitmap map, Bitmap? owner, double? ember) =>
        ember > 0
        && (owner is null || Is(map, owner.Width, owner.Height))
        && map.All((x, y) => map.Alpha(x, y) == 255 && map.Colour(x, y) is var (r, g, b) && r == g && g == b);

    private static bool Is(Bitmap picture, int width, int height) => picture.Width == width && picture.Height == height;

    private static bool IsSolid(Bitmap picture) => picture.All((x, y) => picture.Alpha(x, y) == 255);

    private static bool IsSkinSide(int side) => side is >= 64 and <= 512 && side % 16 == 0;

    private static IEnumerable<string> Only(string outcome, bool holds) => holds ? [outcome] : [];
}
