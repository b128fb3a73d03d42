using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>Files whose path the manifest names: where they lie, and how the manifest comes to name them.</summary>
public static class ManifestNaming
{
    /// <summary>The path that the manifest names for a place, or the one that a new file there gets.</summary>
    public static PackPath PathOf(ManifestFacts manifest, Place place) =>
        manifest.FindPath(place.ManifestField!) ?? UsualPath(place);

    /// <summary>The path that a new file of such a place gets.</summary>
    public static PackPath UsualPath(Place place) => PackPath.Parse(place.Key + place.Format.Endings[0]);

    /// <summary>
    /// The edits that make the manifest name a file which was placed where such a file goes; none when it names one already or
    /// cannot be read.
    /// </summary>
    /// <param name="profile">The host.</param>
    /// <param name="tree">The pack.</param>
    /// <param name="path">Where the file was placed.</param>
    public static IReadOnlyList<TreeEdit> Edits(HostProfile profile, FileTree tree, PackPath path)
    {
        // Only such a path can be one that the manifest does not name yet.
        if (!profile.Places.Any(p => p.ManifestField is not null && UsualPath(p) == path)) return [];
        var manifest = ManifestFacts.Read(profile, tree);
        if (!manifest.IsSound) return [];
        var place = profile.Places.FirstOrDefault(
            p => p.ManifestField is { } field && manifest.Text!.Find(field) is null && PathOf(manifest, p) == path);
        return place is null
            ? []
            : [new TreeEdit.Write(
                profile.Manifest.Path,
                ManifestFacts.WithValue(profile, tree.Find(profile.Manifest.Path)!.ReadAll(), place.ManifestField!, path.Value))];
    }
}
