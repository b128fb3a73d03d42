using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Packaging;

/// <summary>
/// Finds for which host a pack was made, by what it says itself: its package's ending, its manifest, the places of its files.
/// </summary>
public static class HostFinder
{
    /// <summary>The host; null where nothing says it, or two are said.</summary>
    /// <param name="profiles">The hosts that are known.</param>
    /// <param name="name">The name of the package or the folder.</param>
    /// <param name="tree">The files, with the folders around them.</param>
    public static HostProfile? Find(IReadOnlyList<HostProfile> profiles, string name, FileTree tree)
    {
        var files = tree.Files.Select(f => f.Path).Where(p => !ReservedFolder.Holds(p) && !SystemFiles.Is(p)).ToList();
        return Only(profiles.Where(p => name.EndsWith(p.Package.Extension, StringComparison.OrdinalIgnoreCase)))
            ?? Only(profiles.Where(p => files.Exists(f => IsManifest(p, f))))
            ?? Only(profiles.Where(p => PackArchive.Find(p, tree).Tree.Files.Any(f => p.Locate(f.Path, p.Newest) is not null)));
    }

    private static bool IsManifest(HostProfile profile, PackPath path) =>
        path == profile.Manifest.Path || path.Value.EndsWith($"/{profile.Manifest.Path}", StringComparison.Ordinal);

    private static HostProfile? Only(IEnumerable<HostProfile> found) => found.Take(2).ToList() is [var only] ? only : null;
}
