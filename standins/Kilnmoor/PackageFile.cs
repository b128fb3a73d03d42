using StandIns;

namespace Kilnmoor;

/// <summary>A package file: its layer and manifest, or the reason for which it is not listed.</summary>
public sealed class PackageFile
{
    private PackageFile(string name, Layer? layer, Manifest? manifest, string? reason)
    {
        Name = name;
        Layer = layer;
        Manifest = manifest;
        Reason = reason;
    }

    /// <summary>The file's name.</summary>
    public string Name { get; }

    /// <summary>Its files, when it could be opened.</summary>
    public Layer? Layer { get; }

    /// <summary>Its manifest, when that was accepted.</summary>
    public Manifest? Manifest { get; }

    /// <summary>Why it is not listed, as far as the file alone tells.</summary>
    public string? Reason { get; }

    /// <summary>Opens a package.</summary>
    public static PackageFile Open(string name, Stream stream)
    {
        if (!name.EndsWith(".kilnmoor", StringComparison.Ordinal)) return new PackageFile(name, null, null, "ending");
        var (files, reason) = Archive.Read(stream);
        if (reason is not null) return new PackageFile(name, null, null, reason);
        var layer = Layer.OfPackage(name, files);
        if (!layer.Files.TryGetValue("firing.json", out var manifestFile))
            return new PackageFile(name, layer, null, IsWrapped(layer) ? "wrapped" : "missing");
        var (manifest, problemCode) = Manifest.Read(manifestFile.Bytes);
        return new PackageFile(name, layer, manifest, problemCode);
    }

    private static bool IsWrapped(Layer layer)
    {
        var folders = layer.Files.Keys
            .Where(p => p.EndsWith("/firing.json", StringComparison.Ordinal))
            .Select(p => p[..^"firing.json".Length]);
        return folders.Any(folder => layer.Files.Keys.All(p => p.StartsWith(folder, StringComparison.Ordinal)));
    }
}
