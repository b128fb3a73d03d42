using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Placements;

/// <summary>
/// Names for files that are saved out of a pack: "tea_cup_skin.png" for "wares/tea_cup/skin.png", so that the name leads back
/// to its place.
/// </summary>
public static class CopyNames
{
    /// <summary>The name; the file's own where its place has no names.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition that the pack is for.</param>
    /// <param name="path">The file.</param>
    public static string Of(HostProfile profile, Edition edition, PackPath path)
    {
        if (profile.Locate(path, edition) is not { Place.Pattern: { HasAnyFolders: false, Placeholders.Count: > 0 } pattern } found)
            return path.FileName;
        var dot = path.FileName.IndexOf('.', StringComparison.Ordinal);
        var (stem, ending) = dot > 0 ? (path.FileName[..dot], path.FileName[dot..]) : (path.FileName, "");
        var values = pattern.Placeholders.Select(h => found.Bindings.Find(h)!).ToList();
        var name = string.Join('_', values.Contains(stem, StringComparer.Ordinal) ? values : values.Append(stem));
        // Beside others of its group, a file called by its thing's name alone says by its folder which one it is.
        var first = profile.Groups.Of(found.Place)[0];
        if (first != found.Place && values is [var only] && only == stem)
        {
            // The folder that the fewest places share says most.
            int Users(string folder) =>
                profile.Places.Count(p => p.Pattern is not null && Folders(p.Pattern).Contains(folder, StringComparer.Ordinal));
            var own = Folders(pattern).Except(Folders(first.Pattern!), StringComparer.Ordinal).MinBy(Users);
            if (own is not null) name = $"{name}_{own}";
        }

        return name + ending;
    }

    private static IEnumerable<string> Folders(PathPattern pattern) =>
        pattern.Text.Split('/').SkipLast(1).Where(s => !s.Contains('{', StringComparison.Ordinal));
}
