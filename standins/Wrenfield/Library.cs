using System.Text;

namespace Wrenfield;

/// <summary>The viewer's own files, as far as guides can touch them, and the codes that it knows.</summary>
public sealed class Library
{
    private Library(IEnumerable<(string Path, byte[] Bytes)> files)
    {
        var all = files.ToDictionary(f => f.Path, f => f.Bytes, StringComparer.Ordinal);
        Paths = [.. all.Keys];
        Birds = [.. Column(all, "codes/birds.csv")];
        Families = [.. Column(all, "codes/families.csv")];
        Plumages = [.. Column(all, "codes/plumages.csv")];
    }

    /// <summary>Where it has files.</summary>
    public HashSet<string> Paths { get; }

    /// <summary>Codes of birds.</summary>
    public HashSet<string> Birds { get; }

    /// <summary>Codes of families.</summary>
    public HashSet<string> Families { get; }

    /// <summary>Codes of plumages.</summary>
    public HashSet<string> Plumages { get; }

    /// <summary>Reads the viewer's folder.</summary>
    public static Library OfFolder(string folder) =>
        Of(
            Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
                .Select(f => (Path.GetRelativePath(folder, f).Replace('\\', '/'), File.ReadAllBytes(f))));

    /// <summary>The viewer's files.</summary>
    public static Library Of(IEnumerable<(string Path, byte[] Bytes)> files) => new(files);

    private static IEnumerable<string> Column(Dictionary<string, byte[]> files, string path) =>
        files.TryGetValue(path, out var bytes)
            ? Encoding.UTF8.GetString(bytes).Split('\n').Skip(1).Where(l => l.Length > 0).Select(l => l.Split(',')[0])
            : [];
}
