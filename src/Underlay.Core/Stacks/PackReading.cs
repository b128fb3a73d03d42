using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>A pack's files with their places and facts, for one edition.</summary>
public sealed class PackReading
{
    private readonly Lazy<ILookup<string, Placement>> byPlace;

    private PackReading(HostProfile profile, Edition edition, FileTree tree, ManifestFacts manifest, IReadOnlyDictionary<PackPath, FileFacts> facts, IReadOnlyList<Placement> placements)
    {
        Profile = profile;
        Edition = edition;
        Tree = tree;
        Manifest = manifest;
        Facts = facts;
        Placements = placements;
        byPlace = new Lazy<ILookup<string, Placement>>(() => placements.ToLookup(p => p.Place.Key, StringComparer.Ordinal));
        var placed = placements.Select(p => p.Path).ToHashSet();
        Unplaced = [.. tree.Files.Where(f => !placed.Contains(f.Path) && f.Path != profile.Manifest.Path && !ReservedFolder.Holds(f.Path))];
    }

    /// <summary>The host.</summary>
    public HostProfile Profile { get; }

    /// <summary>The edition that the pack is read for.</summary>
    public Edition Edition { get; }

    /// <summary>All files of the pack.</summary>
    public FileTree Tree { get; }

    /// <summary>What its manifest says.</summary>
    public ManifestFacts Manifest { get; }

    /// <summary>Facts of every file outside the reserved folder.</summary>
    public IReadOnlyDictionary<PackPath, FileFacts> Facts { get; }

    /// <summary>Files in places, ordered by path.</summary>
    public IReadOnlyList<Placement> Placements { get; }

    /// <summary>The files of a place, ordered by path.</summary>
    public IEnumerable<Placement> In(Place place) => byPlace.Value[place.Key];

    /// <summary>Files that the host does not read, ordered by path.</summary>
    public IReadOnlyList<TreeFile> Unplaced { get; }

    /// <summary>Reads a pack.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition to read it for.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="manifest">Its manifest, read from the same tree.</param>
    /// <param name="before">The pack as it was read before a change: facts of files that are the same are taken over.</param>
    /// <param name="progress">Told the number of files read, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static PackReading Read(
        HostProfile profile,
        Edition edition,
        FileTree tree,
        ManifestFacts manifest,
        PackReading? before = null,
        IProgress<int>? progress = null,
        CancellationToken cancel = default)
    {
        var fixedPlaces = profile.Places
            .Where(p => p.ManifestField is not null && p.Editions.Holds(edition))
            .Select(p => (Place: p, Path: manifest.FindPath(p.ManifestField!)))
            .Where(p => p.Path is not null)
            .ToDictionary(p => p.Path!.Value, p => p.Place);
        var last = before?.Placements.ToDictionary(p => p.Path) ?? [];
        var files = new List<(TreeFile File, Place? Place)>();
        var bindings = new Dictionary<PackPath, Bindings>();
        foreach (var file in tree.Files)
        {
            if (ReservedFolder.Holds(file.Path)) continue;
            var found = last.TryGetValue(file.Path, out var was) && was.Place.Pattern is not null ? (was.Place, was.Bindings) : profile.Locate(file.Path, edition);
            var place = found?.Place ?? fixedPlaces.GetValueOrDefault(file.Path);
            if (place is not null) bindings[file.Path] = found?.Bindings ?? Bindings.None;
            files.Add((file, place));
        }

        var known = before is null ? [] : KnownFacts(files, before, last);
        var facts = new Dictionary<PackPath, FileFacts>(FactsReader.ReadAll([.. files.Where(f => !known.ContainsKey(f.File.Path))], progress, cancel));
        foreach (var (path, kept) in known) facts[path] = kept;
        var placements = files
            .Where(f => f.Place is not null)
            .Select(f => new Placement(f.File.Path, f.Place!, bindings[f.File.Path], FromBase: false, facts[f.File.Path]))
            .ToList();
        return new PackReading(profile, edition, tree, manifest, facts, placements);
    }

    private static Dictionary<PackPath, FileFacts> KnownFacts(List<(TreeFile File, Place? Place)> files, PackReading before, Dictionary<PackPath, Placement> last)
    {
        // The same content object is the same bytes: trees hand it on through edits.
        return files
            .Where(f => before.Tree.Find(f.File.Path) is { } was && ReferenceEquals(was.Content, f.File.Content) && ReferenceEquals(last.GetValueOrDefault(f.File.Path)?.Place, f.Place))
            .ToDictionary(f => f.File.Path, f => before.Facts[f.File.Path]);
    }
}
