using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;

namespace Underlay.Cli;

/// <summary>The host that a command works with, and its base.</summary>
internal sealed class HostContext
{
    private readonly Installation installation;
    private readonly string? baseFolder;

    private HostContext(Installation installation, ProfileFolder folder, string? baseFolder)
    {
        this.installation = installation;
        this.baseFolder = baseFolder;
        Folder = folder;
    }

    public ProfileFolder Folder { get; }

    public HostProfile Profile => Folder.Profile;

    public static HostContext Open(Installation installation, string host, string? baseFolder)
    {
        var known = ProfileFolder.List(installation.Hosts);
        if (!known.Contains(host)) throw new UserErrorException($"There is no host “{host}”; there is {string.Join(", ", known)}.");
        if (baseFolder is not null && !Directory.Exists(baseFolder))
            throw new UserErrorException($"There is no folder {baseFolder} with base files.");
        return new HostContext(installation, ProfileFolder.Read(installation.Hosts, host), baseFolder);
    }

    public Edition? FindEdition(string? key)
    {
        if (key is null) return null;
        return Profile.FindEdition(key)
            ?? throw new UserErrorException($"{Profile.Title} has no edition “{key}”; it has {string.Join(", ", Profile.Editions)}.");
    }

    public BaseCatalogue Base(Edition edition) =>
        new BaseCache(installation.Cache).Get(Profile, Folder.Folder, edition, BaseFolder(edition));

    /// <summary>
    /// The folder with an edition's files: the one named, else one that is configured, else the demo's, made once and kept.
    /// </summary>
    public string BaseFolder(Edition edition)
    {
        if ((baseFolder ?? installation.FindBase(Profile.Key, edition.Key)) is { } folder) return folder;
        var demo = DemoCatalogue.FindBase(Profile.Key, edition.Key)
            ?? throw new UserErrorException(
                $"There are no base files of {edition.Title} here; name their folder with --base, or set UNDERLAY_BASES.");
        return new BaseFolders(installation.Cache, DemoCatalogue.Version).Get(demo.Folder, () =>
        {
            Console.Error.WriteLine($"Making the base files of {edition.Title}, once …");
            return demo.Make();
        });
    }

    public PackSource OpenPack(string path)
    {
        if (!Directory.Exists(path) && !File.Exists(path)) throw new UserErrorException($"There is no folder or archive at {path}.");
        return PackSource.Open(path, Profile);
    }

    /// <summary>The edition to build or try for, where none is named: the newest that the pack declares.</summary>
    public Edition DeclaredEdition(FileTree tree) => ManifestFacts.Read(Profile, tree).To ?? Profile.Newest;
}
