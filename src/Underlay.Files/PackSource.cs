using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;
using Underlay.Core.Packs;

namespace Underlay.Files;

/// <summary>A pack opened from a folder or an archive, or what kept it from being opened.</summary>
/// <param name="Name">The folder's or archive's name, without extension.</param>
/// <param name="IsFolder">True when fixes can be written back.</param>
/// <param name="Tree">The files.</param>
/// <param name="Problem">Why an archive was refused whole; the tree is then empty.</param>
public sealed record PackSource(string Name, bool IsFolder, FileTree Tree, ArchiveProblem? Problem)
{
    /// <summary>Opens a folder or an archive.</summary>
    /// <param name="path">A path on disk.</param>
    /// <param name="profile">The host.</param>
    /// <exception cref="FileNotFoundException">Nothing is there.</exception>
    /// <exception cref="IOException">It cannot be read.</exception>
    public static PackSource Open(string path, HostProfile profile)
    {
        var mostPackageBytes = profile.Package.MostBytes;
        if (Directory.Exists(path)) return new PackSource(new DirectoryInfo(path).Name, true, FolderTree.Read(path), null);
        if (!File.Exists(path)) throw new FileNotFoundException($"There is no folder or archive at {path}.", path);
        var name = Path.GetFileNameWithoutExtension(path);
        var length = new FileInfo(path).Length;
        if (length > mostPackageBytes)
        {
            var says = string.Create(
                CultureInfo.InvariantCulture,
                $"The archive has {length:N0} bytes; the host takes at most {mostPackageBytes:N0}.");
            return new PackSource(name, false, FileTree.Empty, new ArchiveProblem(ArchiveProblemKind.TooBig, "", says));
        }

        var result = PackArchive.Read(File.ReadAllBytes(path), ArchiveLimits.Standard);
        var (tree, problem) = result.Tree is { } package ? Bundles.TakeOut(profile, package) : (FileTree.Empty, result.Problem);
        return new PackSource(name, false, tree, problem);
    }
}
