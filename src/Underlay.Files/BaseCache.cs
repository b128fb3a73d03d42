using System.Security.Cryptography;
using System.Text;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;

namespace Underlay.Files;

/// <summary>
/// Base catalogues kept on disk, so that a base folder is examined once. The key is made of the profile's and the folder's
/// file names, lengths and times: any change there makes another catalogue.
/// </summary>
/// <param name="cacheFolder">Where catalogues are kept; may be deleted at any time.</param>
public sealed class BaseCache(string cacheFolder)
{
    /// <summary>The catalogue of a base folder.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="profileFolder">The folder the profile was read from.</param>
    /// <param name="edition">The edition whose files the folder holds.</param>
    /// <param name="baseFolder">The folder.</param>
    public BaseCatalogue Get(HostProfile profile, string profileFolder, Edition edition, string baseFolder)
    {
        var file = Path.Combine(cacheFolder, "catalogues", $"{Fingerprint(edition, profileFolder, baseFolder)}.base");
        if (File.Exists(file))
        {
            using var kept = new MemoryStream(File.ReadAllBytes(file), writable: false);
            if (
                BaseCatalogueFile.Read(
                    profile,
                    edition,
                    kept,
                    path => File.ReadAllBytes(Path.Combine(baseFolder, path.Value))) is { } known)
                return known;
        }

        var catalogue = BaseCatalogue.Read(profile, edition, FolderTree.Read(baseFolder));
        var bytes = new MemoryStream();
        BaseCatalogueFile.Write(catalogue, bytes);
        FolderWriter.WriteFile(file, bytes.GetBuffer().AsSpan(0, (int)bytes.Length));
        return catalogue;
    }

    private static string Fingerprint(Edition edition, params ReadOnlySpan<string> folders)
    {
        var text = new StringBuilder(edition.Key);
        foreach (var folder in folders)
        {
            text.Append('\n').Append(Path.GetFullPath(folder));
            foreach (
                var file in new DirectoryInfo(folder)
                    .EnumerateFiles("*", SearchOption.AllDirectories)
                    .OrderBy(f => f.FullName, StringComparer.Ordinal))
                text.Append('\n').Append(file.FullName).Append('|').Append(file.Length).Append('|').Append(file.LastWriteTimeUtc.Ticks);
        }

        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())));
    }
}
