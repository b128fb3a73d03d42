using Underlay.Core.Formats;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>Tells files of a tray that are of no use wherever they are placed.</summary>
internal static class TrayFlaw
{
    /// <summary>What is wrong with a file, as a clause that begins with "it"; null for nothing.</summary>
    public static string? Find(TreeFile file, TrayContent content)
    {
        if (SystemFiles.Is(file.Path)) return "it was put there by an operating system, and is no part of a pack";
        if (file.Length == 0) return "it is empty: it has no bytes";
        if (content is not { Format: { } format, Picture: null }) return null;
        return SourceReader.Read(file.ReadAll()).Problem is { } problem
            ? $"it begins as {format.One} and cannot be read: {problem}"
            : null;
    }
}
