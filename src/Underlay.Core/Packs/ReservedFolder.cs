namespace Underlay.Core.Packs;

/// <summary>The folder of a pack that holds the author's decisions. It is never packaged, and hosts skip it.</summary>
public static class ReservedFolder
{
    /// <summary>The folder's name at the root of a pack.</summary>
    public const string Name = ".underlay";

    /// <summary>The author's waivers.</summary>
    public static PackPath Waivers { get; } = PackPath.Parse(".underlay/waivers.json");

    /// <summary>The folder of files that were dropped in and are not yet placed.</summary>
    public const string Tray = ".underlay/tray";

    /// <summary>The folder of the steps of pictures.</summary>
    public const string Steps = ".underlay/steps";

    /// <summary>True for paths in the folder.</summary>
    public static bool Holds(PackPath path) => path.IsBelow(Name);

    /// <summary>Where a file goes that is set aside; with the start of its hash where another was set aside from there.</summary>
    public static PackPath FreeAside(FileTree tree, TreeFile file)
    {
        var aside = PackPath.Parse($"{Name}/aside/{file.Path}");
        return tree.Find(aside) is null ? aside : PackPath.Parse($"{aside}.{file.Hash.Hex[..8]}");
    }

    /// <summary>Where the original of a file is kept before a fix changes its bytes.</summary>
    public static PackPath SourceOf(PackPath path) => PackPath.Parse($"{Name}/sources/{path}");
}
