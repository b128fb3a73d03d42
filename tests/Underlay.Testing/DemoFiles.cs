using System.Collections.Concurrent;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;

namespace Underlay.Testing;

/// <summary>
/// The demo's files, drawn once for all programs of tests and kept on disk. They are drawn anew whenever the code that draws
/// or encodes them was compiled from other text.
/// </summary>
public static class DemoFiles
{
    private static readonly BaseFolders Kept = new(Folder(), DemoCatalogue.Version);

    private static readonly ConcurrentDictionary<string, Lazy<FileTree>> Trees = new(StringComparer.Ordinal);

    /// <summary>The files of one of <see cref="DemoCatalogue.Folders"/>, such as "packs/tidepool".</summary>
    public static FileTree Of(string folder) => Trees.GetOrAdd(folder, _ => new Lazy<FileTree>(() => Read(folder))).Value;

    /// <summary>The base files of a host's edition.</summary>
    public static FileTree Base(string host, string edition) => Of($"base/{host}/{edition}");

    private static FileTree Read(string folder) =>
        FolderTree.Read(Kept.Get(folder, DemoCatalogue.Folders.Single(f => f.Folder == folder).Make));

    /// <summary>Where this build's are kept. Those of builds that were last drawn for an hour ago are let go of.</summary>
    private static string Folder()
    {
        var all = Directory.CreateDirectory(Path.Combine(Repository.Root, ".test", "drawn"));
        var mine = all.CreateSubdirectory($"{Build(typeof(DemoCatalogue))}-{Build(typeof(FileTree))}");
        foreach (var old in all.EnumerateDirectories().Where(d => d.Name != mine.Name && d.LastWriteTimeUtc < DateTime.UtcNow.AddHours(-1)))
            old.Delete(recursive: true);
        return mine.FullName;
    }

    /// <summary>Another for every other text that an assembly was compiled from.</summary>
    private static string Build(Type type) => type.Module.ModuleVersionId.ToString("N")[..8];
}
