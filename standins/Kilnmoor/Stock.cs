using System.Text;
using StandIns;

namespace Kilnmoor;

/// <summary>The game's own files with packages over them, and the codes that the game knows.</summary>
internal sealed class Stock
{
    public Stock(Layer baseLayer, string edition, IEnumerable<Layer> packages)
    {
        Edition = edition;
        Layers = [baseLayer, .. packages];
        Markets = [.. FirstColumn(baseLayer, "codes/markets.csv")];
        Kilns = [.. FirstColumn(baseLayer, "codes/kilns.csv")];
        Occasions = Occasions.Read(baseLayer);
        Shapes = [.. baseLayer.Files.Values.Where(f => f.Place.Kind == PlaceKind.Shape).Select(f => f.Place.Name)];
    }

    public string Edition { get; }

    /// <summary>Lowest first, the base at 0.</summary>
    public Layer[] Layers { get; }

    /// <summary>The materials of the stack, once files were read.</summary>
    public HashSet<string> Materials { get; } = [];

    /// <summary>The stations of the stack, once files were read.</summary>
    public HashSet<string> Stations { get; } = [];

    public Occasions Occasions { get; }

    /// <summary>What the texts say in English, by key, once files were read.</summary>
    public Dictionary<string, string> Texts { get; } = new(StringComparer.Ordinal);

    public HashSet<string> Markets { get; }

    public HashSet<string> Kilns { get; }

    public HashSet<string> Shapes { get; }

    /// <summary>True where the game looks for a file.</summary>
    public bool Looks(Place place) => place.Kind != PlaceKind.None && place.IsIn(Edition);

    /// <summary>The uppermost file at a path that was not left out.</summary>
    public (Layer Layer, LayerFile File)? Shown(string path)
    {
        for (var i = Layers.Length - 1; i >= 0; i--)
            if (Layers[i].Files.TryGetValue(path, out var file) && file.Dropped is null && Looks(file.Place)) return (Layers[i], file);
        return null;
    }

    /// <summary>All files of a kind that are shown.</summary>
    public IEnumerable<(Layer Layer, LayerFile File)> ShownOf(PlaceKind kind) =>
        Layers.SelectMany(l => l.Files.Values)
            .Where(f => f.Place.Kind == kind)
            .Select(f => f.Path)
            .Distinct(StringComparer.Ordinal)
            .Select(Shown).OfType<(Layer, LayerFile)>();

    /// <summary>The skin of a ware: a DDS anywhere beats every PNG.</summary>
    public LayerFile? Skin(string name) => (Shown($"wares/{name}/skin.dds") ?? Shown($"wares/{name}/skin.png"))?.File;

    /// <summary>The ware of an id; of two, the upper one's.</summary>
    public LayerFile? WareOf(string id) =>
        Layers.Reverse()
            .SelectMany(
                l =>
                    l.Files.Values
                        .Where(f => f.Place.Kind == PlaceKind.Ware && f.Entry?.Text("id") == id && Shown(f.Path)?.File == f)
                        .OrderByDescending(f => f.Path, StringComparer.Ordinal))
            .FirstOrDefault();

    /// <summary>The entry and those it is like, nearest first.</summary>
    public List<LayerFile> Line(LayerFile ware)
    {
        var line = new List<LayerFile>();
        for (var at = ware; at is not null && !line.Contains(at); at = at.Entry?.Text("like") is { } id ? WareOf(id) : null) line.Add(at);
        return line;
    }

    /// <summary>A field of a ware, its own or one it is like.</summary>
    public Fields? WithField(LayerFile ware, string field) => Line(ware).Select(w => w.Entry).FirstOrDefault(e => e?.Has(field) == true);

    /// <summary>Reads every file: leaves out what cannot be read or is not accepted.</summary>
    public void Read()
    {
        foreach (var file in Layers.SelectMany(l => l.Files.Values).Where(f => Looks(f.Place))) file.Look(Edition);
        Over("materials", Materials);
        Over("stations", Stations);
        foreach (var layer in Layers)
            foreach (
                var file in layer.Files.Values
                    .Where(f => f.Place.Kind == PlaceKind.Texts && f.Dropped is null)
                    .OrderBy(f => f.Path, StringComparer.Ordinal))
                foreach (var (key, values) in file.Table!.Rows) Texts[key] = values["en"];
    }

    /// <summary>Lays a table of all layers over keys.</summary>
    public void Over(string name, HashSet<string> keys)
    {
        foreach (var layer in Layers)
            if (layer.Files.TryGetValue($"tables/{name}.csv", out var file) && file.Dropped is null) file.Table?.Over(keys);
    }

    private static IEnumerable<string> FirstColumn(Layer layer, string path) =>
        layer.Files.TryGetValue(path, out var file)
            ? Encoding.UTF8.GetString(file.Bytes).Split('\n').Skip(1).Where(l => l.Length > 0).Select(l => l.Split(',')[0].Trim('"', '\r'))
            : [];
}
