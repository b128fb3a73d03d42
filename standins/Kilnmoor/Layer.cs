namespace Kilnmoor;

/// <summary>One file of a layer, and why it was left out if it was.</summary>
public sealed class LayerFile(string path, byte[] bytes)
{
    /// <summary>Where it lies.</summary>
    public string Path { get; } = path;

    /// <summary>Its bytes.</summary>
    public byte[] Bytes { get; } = bytes;

    /// <summary>The code for which it was left out, or null.</summary>
    public string? Dropped { get; set; }

    /// <summary>The picture, once it was looked at and could be read.</summary>
    public Bitmap? Picture { get; set; }

    /// <summary>The entry, once it was looked at and was accepted.</summary>
    public Fields? Entry { get; set; }
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
    public static Layer OfPackage(string name, IEnumerable<(string Path, byte[] Bytes)> files) => Of(name, false, files.Where(f => !f.Path.StartsWith(".underlay/", StringComparison.Ordinal)));

    /// <summary>A layer whose files were not looked at yet.</summary>
    public Layer Fresh() => Of(Name, IsBase, Files.Values.Select(f => (f.Path, f.Bytes)));

    private static Layer Of(string name, bool isBase, IEnumerable<(string Path, byte[] Bytes)> files) =>
        new(name, isBase, files.ToDictionary(f => f.Path, f => new LayerFile(f.Path, f.Bytes), StringComparer.Ordinal));
}
