using System.Globalization;
using Underlay.Core.Packs;

namespace Underlay.Files;

/// <summary>Base files that are generated once and kept on disk, complete or not there.</summary>
/// <param name="cacheFolder">Where they are kept; may be deleted at any time.</param>
/// <param name="version">Raised when the same folder gets other bytes.</param>
public sealed class BaseFolders(string cacheFolder, int version)
{
    /// <summary>A folder on disk with the files, made when it is not there.</summary>
    /// <param name="name">Its name below the cache, such as "base/host/edition".</param>
    /// <param name="make">Makes the files.</param>
    public string Get(string name, Func<FileTree> make)
    {
        var folder = Path.Combine(cacheFolder, string.Create(CultureInfo.InvariantCulture, $"demo-{version}"), name);
        if (Directory.Exists(folder)) return folder;
        var unfinished = $"{folder}.{Environment.ProcessId}";
        FolderWriter.WriteAll(unfinished, make());
        try
        {
            Directory.Move(unfinished, folder);
        }
        catch (IOException) when (Directory.Exists(folder))
        {
            // Another run made them meanwhile; they are the same.
            Directory.Delete(unfinished, recursive: true);
        }

        return folder;
    }
}
