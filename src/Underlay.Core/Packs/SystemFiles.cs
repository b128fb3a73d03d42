namespace Underlay.Core.Packs;

/// <summary>Files that operating systems put beside an author's: previews, marks of folders, second halves of files.</summary>
public static class SystemFiles
{
    private static readonly HashSet<string> Names = new(StringComparer.OrdinalIgnoreCase) { ".DS_Store", "Thumbs.db", "desktop.ini" };

    /// <summary>True for such a file.</summary>
    public static bool Is(PackPath path) =>
        path.Segments[0].StartsWith("__", StringComparison.Ordinal)
        || path.FileName.StartsWith("._", StringComparison.Ordinal)
        || Names.Contains(path.FileName);
}
