using System.Text;

namespace Kilnmoor;

/// <summary>The game as far as packages go: it lists them, lays them over its own files, leaves out what it cannot use and shows the rest.</summary>
public sealed class Game
{
    private static readonly string[] OutcomeOrder =
    [
        "hidden", "blank", "unlisted", "short", "jumping", "mixed", "coarse", "stretched", "cut", "holed", "plate", "unglazed", "unlit", "plain",
        "pitched", "left_only", "silent", "raw", "unchanged", "unplaced", "grey", "own",
    ];

    private readonly string edition;
    private readonly Layer[] layers;
    private readonly HashSet<string> materials;
    private readonly HashSet<string> shapes;
    private readonly Dictionary<(string Path, string From), HashSet<string>> rows = [];
    private readonly List<LogRow> log = [];

    private Game(Layer baseLayer, string edition, IEnumerable<Layer> packages)
    {
        this.edition = edition;
        layers = [baseLayer, .. packages];
        materials = [.. ReadFirstColumn(baseLayer, "tables/materials.csv")];
        shapes = [.. baseLayer.Files.Keys.Where(p => p.StartsWith("art/shapes/", StringComparison.Ordinal) && p.EndsWith(".json", StringComparison.Ordinal)).Select(p => p["art/shapes/".Length..^".json".Length])];
    }

    /// <summary>Loads packages, lowest first.</summary>
    /// <param name="baseLayer">The game's own files.</param>
    /// <param name="edition">The edition that runs.</param>
    /// <param name="insist">Whether closed packages are loaded all the same.</param>
    /// <param name="packages">File names and their bytes.</param>
    public static Report Load(Layer baseLayer, string edition, bool insist, IReadOnlyList<(string Name, Func<Stream> Open)> packages)
    {
        var opened = new List<PackageFile>();
        foreach (var (name, open) in packages)
        {
            using var stream = open();
            opened.Add(PackageFile.Open(name, stream));
        }

        var list = Listing.Decide(opened, edition, insist);
        var listed = opened.Where((_, i) => list[i].Listed).ToList();
        var game = new Game(baseLayer.Fresh(), edition, listed.Select(p => p.Layer!));
        game.Read();
        game.Drop();
        game.Show(listed);
        return game.Report(list);
    }

    private static IEnumerable<string> ReadFirstColumn(Layer layer, string path) =>
        layer.Files.TryGetValue(path, out var file) ? Encoding.UTF8.GetString(file.Bytes).Split('\n').Skip(1).Where(l => l.Length > 0).Select(l => l.Split(',')[0].Trim('"', '\r')) : [];

    private (Layer Layer, LayerFile File)? Shown(string path)
    {
        for (var i = layers.Length - 1; i >= 0; i--)
            if (layers[i].Files.TryGetValue(path, out var file) && file.Dropped is null) return (layers[i], file);
        return null;
    }

    /// <summary>Leaves out what cannot be read, is not accepted or has the wrong name.</summary>
    private void Read()
    {
        foreach (var file in layers.SelectMany(l => l.Files.Values))
        {
            var (kind, name) = PlaceName.Of(file.Path);
            switch (kind)
            {
                case PlaceKind.None:
                    break;
                case PlaceKind.Descriptor or PlaceKind.Ware:
                    var (fields, problem) = Fields.Read(file.Bytes);
                    file.Dropped = problem;
                    if (fields is null) break;
                    if (!(kind == PlaceKind.Ware ? IsWare(fields) : IsDescriptor(fields))) file.Dropped = "rejected";
                    else if (kind == PlaceKind.Ware && fields.Text("id")!.Split('.')[^1] != name) file.Dropped = "misnamed";
                    else file.Entry = fields;
                    break;
                default:
                    file.Picture = Bitmap.Read(file.Bytes);
                    if (file.Picture is null) file.Dropped = "unreadable";
                    break;
            }
        }
    }

    private static bool IsDescriptor(Fields fields) =>
        fields.IsText("made_of", true)
        && fields.IsOneOf("edge", "opaque", "mask", "blend")
        && fields.IsNumber("rough", false, 0, 1)
        && fields.IsNumber("ember", false, 0, 1)
        && fields.IsText("grain", false, "^[a-z0-9_]+$(?!\n)");

    private static bool IsWare(Fields fields) =>
        fields.IsText("id", true, "^[a-z0-9_]+\\.[a-z0-9_]+$(?!\n)")
        && fields.IsText("shape", true, "^[a-z0-9_]+$(?!\n)")
        && fields.IsText("made_of", true)
        && fields.IsNumber("price", true, 1, double.MaxValue, whole: true);

    /// <summary>Leaves out what refers to nothing or belongs to nothing, again and again, since that may leave others alone.</summary>
    private void Drop()
    {
        while (true)
        {
            var found = layers.Where(l => !l.IsBase).SelectMany(l => l.Files.Values).Where(f => f.Dropped is null).Select(f => (File: f, Code: CodeFor(f))).Where(f => f.Code is not null).ToList();
            if (found.Count == 0) return;
            foreach (var (file, code) in found) file.Dropped = code;
        }
    }

    private string? CodeFor(LayerFile file)
    {
        var (kind, name) = PlaceName.Of(file.Path);
        switch (kind)
        {
            case PlaceKind.Ware:
                return shapes.Contains(file.Entry!.Text("shape")!) && materials.Contains(file.Entry.Text("made_of")!) ? null : "dangling";
            case PlaceKind.Descriptor:
                if (!materials.Contains(file.Entry!.Text("made_of")!)) return "dangling";
                return Shown($"art/surfaces/{name}.png") is null ? "ownerless" : null;
            case PlaceKind.Shelf or PlaceKind.Skin or PlaceKind.Mask:
                return Shown($"wares/{name}/ware.json") is null ? "ownerless" : null;
            default:
                return null;
        }
    }

    private void Show(IReadOnlyList<PackageFile> packages)
    {
        foreach (var path in layers.SelectMany(l => l.Files.Keys).Distinct(StringComparer.Ordinal))
        {
            var (kind, name) = PlaceName.Of(path);
            if (kind == PlaceKind.None || Shown(path) is not { } shown) continue;
            var from = shown.Layer.Name;
            if (layers.Any(l => !l.IsBase && l.Files.ContainsKey(path))) Note(path, from, null);
            foreach (var outcome in Judge(kind, name, shown.File)) Note(path, from, outcome);
            if (kind != PlaceKind.Ware) continue;
            foreach (var wanted in new[] { $"wares/{name}/shelf.png", $"wares/{name}/skin.png" })
                if (Shown(wanted) is null) Note(wanted, from, "blank");
        }

        foreach (var package in packages)
        {
            ShowFront(package);
            foreach (var path in package.Layer!.Files.Keys.Order(StringComparer.Ordinal))
                if (path != "firing.json" && path != package.Manifest!.Front && PlaceName.Of(path).Kind == PlaceKind.None)
                    log.Add(new LogRow("note", path, $"{package.Name} has a file here that nothing reads"));
        }
    }

    private IEnumerable<string> Judge(PlaceKind kind, string name, LayerFile file)
    {
        var picture = file.Picture;
        switch (kind)
        {
            case PlaceKind.Surface:
                var descriptor = Shown($"art/surfaces/{name}.surface.json")?.File.Entry;
                if (descriptor is null) yield return "hidden";
                if (picture!.Width != picture.Height || picture.Width is not (32 or 64 or 128 or 256 or 512)) yield return "coarse";
                var edge = descriptor?.Text("edge") ?? "opaque";
                if (edge != "blend" && !picture.All((x, y) => picture.Alpha(x, y) == 255 || (edge == "mask" && picture.Alpha(x, y) == 0))) yield return "holed";
                break;
            case PlaceKind.Descriptor:
                if (file.Entry!.Text("grain") is { } grain && Shown($"art/surfaces/{grain}.png") is null) yield return "plain";
                break;
            case PlaceKind.Shelf:
                var side = Editions.Order(edition) >= Editions.Order("4.0") ? 56 : 48;
                if (picture!.Width != side || picture.Height != side) yield return "stretched";
                if (!picture.All((x, y) => (x > 0 && y > 0 && x < picture.Width - 1 && y < picture.Height - 1) || picture.Alpha(x, y) == 0)) yield return "plate";
                break;
            case PlaceKind.Skin:
                if (!IsSkinSide(picture!.Width) || !IsSkinSide(picture.Height)) yield return "coarse";
                break;
            case PlaceKind.Mask:
                var skin = Shown($"wares/{name}/skin.png")?.File.Picture;
                var sameSize = skin is null || (skin.Width == picture!.Width && skin.Height == picture.Height);
                if (!sameSize || !picture!.All((x, y) => picture.Alpha(x, y) == 255 && picture.Green(x, y) == 0)) yield return "unglazed";
                break;
        }
    }

    private static bool IsSkinSide(int side) => side is >= 64 and <= 512 && side % 16 == 0;

    private void ShowFront(PackageFile package)
    {
        if (package.Manifest!.Front is not { } path) return;
        var good = PlaceName.Of(path).Kind == PlaceKind.None
            && package.Layer!.Files.TryGetValue(path, out var file)
            && file.Bytes.Length <= 204_800
            && Bitmap.Read(file.Bytes) is { Width: 320, Height: 200, ColourType: 2 or 6 };
        Note(path, package.Name, good ? null : "blank");
    }

    private void Note(string path, string from, string? outcome)
    {
        if (!rows.TryGetValue((path, from), out var outcomes)) rows[(path, from)] = outcomes = [];
        if (outcome is not null) outcomes.Add(outcome);
    }

    private Report Report(IReadOnlyList<ListedPackage> packages) => new(
        edition,
        packages,
        [.. rows.OrderBy(r => r.Key.Path, StringComparer.Ordinal).ThenBy(r => r.Key.From, StringComparer.Ordinal).Select(Row)],
        [.. layers.SelectMany(l => l.Files.Values.Where(f => f.Dropped is not null).OrderBy(f => f.Path, StringComparer.Ordinal).Select(f => new DroppedRow(f.Path, l.Name, f.Dropped!)))],
        log);

    private static ShownRow Row(KeyValuePair<(string Path, string From), HashSet<string>> row)
    {
        var outcomes = OutcomeOrder.Where(row.Value.Contains).ToList();
        return new ShownRow(row.Key.Path, row.Key.From, outcomes.Count == 0 ? "right" : outcomes[0], [.. outcomes.Skip(1)]);
    }
}
