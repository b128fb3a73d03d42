using Underlay.Core.Hosts;

namespace Underlay.Files;

/// <summary>A host profile and the folder that it was read from.</summary>
public sealed record ProfileFolder(HostProfile Profile, string Folder)
{
    /// <summary>The keys of the profiles below a folder, in ordinal order.</summary>
    public static IReadOnlyList<string> List(string hostsFolder) =>
        [.. Directory.EnumerateFiles(hostsFolder, "host.json", SearchOption.AllDirectories)
            .Where(f => Path.GetDirectoryName(Path.GetDirectoryName(f)) == Path.GetFullPath(hostsFolder).TrimEnd('/'))
            .Select(f => Path.GetFileName(Path.GetDirectoryName(f)!))
            .Order(StringComparer.Ordinal)];

    /// <summary>Reads a profile.</summary>
    /// <exception cref="InvalidDataException">It cannot be read; the message names the first errors.</exception>
    public static ProfileFolder Read(string hostsFolder, string key)
    {
        var folder = Path.Combine(hostsFolder, key);
        var result = ProfileReader.Read(FolderTree.Read(folder));
        if (result.Profile is { } profile) return new ProfileFolder(profile, folder);
        var errors = string.Join("; ", result.Errors.Take(3));
        throw new InvalidDataException($"The profile of {key} cannot be read: {errors}.");
    }
}
