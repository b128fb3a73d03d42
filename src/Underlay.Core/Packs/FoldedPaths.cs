namespace Underlay.Core.Packs;

/// <summary>
/// Paths of files as systems that fold case see them, for telling what cannot lie side by side: two files whose names differ in
/// case only, and a file and a folder of one name.
/// </summary>
public sealed class FoldedPaths
{
    private readonly ISet<string> files;
    private readonly ISet<string> folders;

    /// <summary>No paths.</summary>
    public FoldedPaths()
        : this(new HashSet<string>(StringComparer.OrdinalIgnoreCase), new HashSet<string>(StringComparer.OrdinalIgnoreCase))
    {
    }

    internal FoldedPaths(ISet<string> files, ISet<string> folders) => (this.files, this.folders) = (files, folders);

    /// <summary>Paths of which none collide.</summary>
    public static FoldedPaths Of(IEnumerable<TreeFile> files)
    {
        var folded = new FoldedPaths();
        foreach (var file in files) folded.TryAdd(file.Path.Value);
        return folded;
    }

    /// <summary>True when a file, or a file around it, lies at a folder's path.</summary>
    public bool IsFile(string folder) => files.Contains(folder) || FoldersOf(folder).Any(files.Contains);

    /// <summary>What keeps a path from lying beside the others, or null.</summary>
    public PathProblem? FindProblem(string path)
    {
        if (files.Contains(path)) return PathProblem.Collides;
        return folders.Contains(path) || FoldersOf(path).Any(files.Contains) ? PathProblem.FileAndFolder : null;
    }

    /// <summary>Takes a path in, or says what keeps it out.</summary>
    public PathProblem? TryAdd(string path)
    {
        if (FindProblem(path) is { } problem) return problem;
        files.Add(path);
        // Where a folder is known, so are those around it.
        foreach (var folder in FoldersOf(path))
            if (!folders.Add(folder)) break;
        return null;
    }

    /// <summary>The folders around a path, nearest first.</summary>
    private static IEnumerable<string> FoldersOf(string path)
    {
        for (var slash = path.LastIndexOf('/'); slash > 0; slash = path.LastIndexOf('/', slash - 1)) yield return path[..slash];
    }
}
