using System.Collections.Concurrent;
using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;

namespace Underlay.Server.Hosts;

/// <summary>The hosts that are known, with the base of each edition, read once.</summary>
internal sealed class HostRegistry
{
    private readonly Installation installation;
    private readonly Dictionary<string, ProfileFolder> hosts;
    private readonly ConcurrentDictionary<(string Host, string Edition), Lazy<BaseCatalogue>> bases = new();

    public HostRegistry(Installation installation)
    {
        this.installation = installation;
        hosts = ProfileFolder.List(installation.Hosts)
            .ToDictionary(key => key, key => ProfileFolder.Read(installation.Hosts, key), StringComparer.Ordinal);
    }

    public IEnumerable<HostProfile> All => hosts.Values.Select(h => h.Profile).OrderBy(p => p.Key, StringComparer.Ordinal);

    public HostProfile? Find(string key) => hosts.GetValueOrDefault(key)?.Profile;

    /// <exception cref="Hosting.ProblemException">There is no such host.</exception>
    public HostProfile Get(string key) =>
        Find(key)
            ?? throw new Hosting.ProblemException(
                404,
                "no-host",
                $"There is no host “{key}”; there is {string.Join(", ", hosts.Keys.Order(StringComparer.Ordinal))}.");

    public bool HasBase(HostProfile profile, Edition edition) =>
        installation.FindBase(profile.Key, edition.Key) is not null || DemoCatalogue.FindBase(profile.Key, edition.Key) is not null;

    /// <summary>The base of an edition; an edition whose files are not here has an empty one. One that fails is tried again.</summary>
    public BaseCatalogue Base(HostProfile profile, Edition edition)
    {
        var key = (profile.Key, edition.Key);
        var known = bases.GetOrAdd(key, _ => new Lazy<BaseCatalogue>(() => Load(profile, edition)));
        try
        {
            return known.Value;
        }
        catch
        {
            bases.TryRemove(KeyValuePair.Create(key, known));
            throw;
        }
    }

    /// <summary>The folder with an edition's files.</summary>
    /// <exception cref="InvalidDataException">They are not here.</exception>
    public string BaseFolder(HostProfile profile, Edition edition)
    {
        if (installation.FindBase(profile.Key, edition.Key) is { } folder) return folder;
        var demo = DemoCatalogue.FindBase(profile.Key, edition.Key)
            ?? throw new InvalidDataException($"The files of {edition.Title} are not here.");
        return new BaseFolders(installation.Cache, DemoCatalogue.Version).Get(demo.Folder, demo.Make);
    }

    private BaseCatalogue Load(HostProfile profile, Edition edition) =>
        HasBase(profile, edition)
            ? new BaseCache(installation.Cache).Get(profile, hosts[profile.Key].Folder, edition, BaseFolder(profile, edition))
            : BaseCatalogue.Read(profile, edition, FileTree.Empty);
}
