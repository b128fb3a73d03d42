using StandIns;

namespace Kilnmoor;

/// <summary>One file of a layer, what it holds, and why it was left out if it was.</summary>
public sealed class LayerFile
{
    private bool looked;

    internal LayerFile(string path, byte[] bytes)
    {
        Path = path;
        Bytes = bytes;
        Place = Place.Of(path);
    }

    /// <summary>Where it lies.</summary>
    public string Path { get; }

    /// <summary>Its bytes.</summary>
    public byte[] Bytes { get; }

    /// <summary>The code for which it was left out, or null.</summary>
    public string? Dropped { get; set; }

    /// <summary>What the game reads here.</summary>
    internal Place Place { get; }

    /// <summary>The picture, once it was looked at and could be read.</summary>
    internal Bitmap? Picture { get; private set; }

    /// <summary>The sound, once it was looked at and could be read.</summary>
    internal Wave? Sound { get; private set; }

    /// <summary>The entry, once it was looked at and was accepted.</summary>
    internal Fields? Entry { get; private set; }

    /// <summary>The table, once it was looked at and was accepted.</summary>
    internal Table? Table { get; private set; }

    /// <summary>Reads the file: leaves it out when it cannot be read, is not accepted or has the wrong name.</summary>
    internal void Look(string edition)
    {
        if (looked) return;
        looked = true;
        switch (Place.Kind)
        {
            case PlaceKind.None:
                break;
            case PlaceKind.Descriptor or PlaceKind.Ware or PlaceKind.Shape or PlaceKind.Glaze or PlaceKind.Recipe or PlaceKind.Techniques
                or PlaceKind.Plan or PlaceKind.Tower:
                var (fields, problem) = Fields.Read(Bytes);
                if (fields is null || !Entries.Accepts(Place.Kind, fields, edition)) Dropped = problem ?? "rejected";
                else if (Place.Kind == PlaceKind.Ware && fields.Text("id")!.Split('.')[^1] != Place.Name) Dropped = "misnamed";
                else Entry = fields;
                break;
            case PlaceKind.Table or PlaceKind.FlameTiming:
                var isTable = Place.Kind == PlaceKind.Table;
                (Table, Dropped) = Table.Read(Bytes, isTable ? "code" : "frame", isTable ? "do" : null);
                break;
            case PlaceKind.SoundTable:
                (Table, Dropped) = Table.Read(Bytes, "name", null, ["loop_from", "loop_to", "gain_db"]);
                if (Table?.Rows.All(r => Wave.IsRow(r.Values)) == false) (Table, Dropped) = (null, "rejected");
                break;
            case PlaceKind.Sound:
                Sound = Wave.Read(Bytes);
                if (Sound is null) Dropped = "unreadable";
                break;
            case PlaceKind.Texts:
                (Table, Dropped) = Table.Read(Bytes, "key", null, ["en", "de", "fr"]);
                break;
            default:
                Picture = Place.Kind == PlaceKind.SkinDds ? Dds.Read(Bytes) : Bitmap.Read(Bytes);
                if (Picture is null) Dropped = "unreadable";
                break;
        }
    }

    internal LayerFile Copy() => (LayerFile)MemberwiseClone();
}

/// <summary>The base, or one package: its files by path.</summary>
public sealed class Layer
{
    private Layer(string name, bool isBase, Dictionary<string, LayerFile> files)
    {
        Name = name;
        IsBase = isBase;
        Files = files;
    }

    /// <summary>"base", or the package's file name.</summary>
    public string Name { get; }

    /// <summary>True for the game's own files.</summary>
    public bool IsBase { get; }

    /// <summary>Files by path.</summary>
    public IReadOnlyDictionary<string, LayerFile> Files { get; }

    /// <summary>The game's own files from their folder.</summary>
    public static Layer OfFolder(string folder) =>
        OfBase(Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Select(f => (Path.GetRelativePath(folder, f).Replace('\\', '/'), File.ReadAllBytes(f))));

    /// <summary>The game's own files.</summary>
    public static Layer OfBase(IEnumerable<(string Path, byte[] Bytes)> files) => Of("base", true, files);

    /// <summary>A package's files; the author's reserved folder is skipped.</summary>
    public static Layer OfPackage(string name, IEnumerable<(string Path, byte[] Bytes)> files) =>
        Of(name, false, files.Where(f => !f.Path.StartsWith(".underlay/", StringComparison.Ordinal)));

    /// <summary>A layer as it was before packages came; what its files hold is read once.</summary>
    public Layer Fresh(string edition)
    {
        lock (Files)
            foreach (var file in Files.Values) file.Look(edition);
        return new Layer(Name, IsBase, Files.Values.ToDictionary(f => f.Path, f => f.Copy(), StringComparer.Ordinal));
    }

    private static Layer Of(string name, bool isBase, IEnumerable<(string Path, byte[] Bytes)> files) =>
        new(name, isBase, files.ToDictionary(f => f.Path, f => new LayerFile(f.Path, f.Bytes), StringComparer.Ordinal));
}
