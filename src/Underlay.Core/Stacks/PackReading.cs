using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>A pack's files with their places and facts, for one edition.</summary>
public sealed class PackReading
{
    private readonly Lazy<ILookup<string, Placement>> byPlace;
    private readonly FileTree tree;
    private readonly Dictionary<PackPath, FileFacts> facts;
    private readonly IReadOnlyList<TreeFile> files;
    private readonly IReadOnlyList<Placement> placements;
    private readonly IReadOnlyList<TreeFile> unplaced;
    private readonly IReadOnlyList<UnjudgedFile> unjudged;

    private PackReading(
        HostProfile profile,
        Edition edition,
        FileTree tree,
        ManifestFacts manifest,
        Dictionary<PackPath, FileFacts> facts,
        IReadOnlyList<TreeFile> files,
        IReadOnlyList<Placement> placements,
        IReadOnlyList<UnjudgedFile> unjudged,
        PackReading? sameBut = null)
    {
        Profile = profile;
        Edition = edition;
        this.tree = tree;
        Manifest = manifest;
        this.facts = facts;
        this.files = files;
        this.placements = placements;
        this.unjudged = unjudged;
        byPlace = new Lazy<ILookup<string, Placement>>(() => placements.ToLookup(p => p.Place.Key, StringComparer.Ordinal));
        Structure = sameBut?.Structure ?? new object();
        unplaced = sameBut?.unplaced ?? FindUnplaced();
    }

    /// <summary>The host.</summary>
    public HostProfile Profile { get; }

    /// <summary>The edition that the pack is read for.</summary>
    public Edition Edition { get; }

    /// <summary>All files of the pack.</summary>
    public FileTree Tree => All(tree);

    /// <summary>What its manifest says.</summary>
    public ManifestFacts Manifest { get; }

    /// <summary>Facts of every file outside the reserved folder.</summary>
    public IReadOnlyDictionary<PackPath, FileFacts> Facts => All(facts);

    /// <summary>Files in places, ordered by path.</summary>
    public IReadOnlyList<Placement> Placements => All(placements);

    /// <summary>The files of a place, ordered by path.</summary>
    public IEnumerable<Placement> In(Place place)
    {
        ReadSet.NotePlace(place.Key);
        return byPlace.Value[place.Key];
    }

    /// <summary>True when the pack has a file at the path, in a place or not.</summary>
    internal bool Has(PackPath path) => tree.Find(path) is not null;

    /// <summary>Files that the host does not read, ordered by path.</summary>
    public IReadOnlyList<TreeFile> Unplaced => All(unplaced);

    /// <summary>Files at which we failed, and which are left out of all else that is said here; ordered by path.</summary>
    public IReadOnlyList<UnjudgedFile> Unjudged => All(unjudged);

    /// <summary>
    /// The same object for readings that differ only in what pictures show: which files there are, what their texts say and
    /// which of them can be read is the same.
    /// </summary>
    internal object Structure { get; }

    /// <summary>Reads a pack.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition to read it for.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="manifest">Its manifest, read from the same tree.</param>
    /// <param name="before">The pack as it was read before a change: facts of files that are the same are taken over.</param>
    /// <param name="aside">Files that are known to make us fail, and so are not judged; ordered by path.</param>
    /// <param name="progress">Told the number of files read, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static PackReading Read(
        HostProfile profile,
        Edition edition,
        FileTree tree,
        ManifestFacts manifest,
        PackReading? before = null,
        IReadOnlyList<UnjudgedFile>? aside = null,
        IProgress<int>? progress = null,
        CancellationToken cancel = default)
    {
        aside ??= [];
        var left = aside.Select(u => u.File.Path).ToHashSet();
        var files = tree.Files.Where(f => !ReservedFolder.Holds(f.Path) && !left.Contains(f.Path)).ToList();
        if (before is not null
            && left.Count == 0
            && OtherPictures(before, files) is { } others
            && before.With(tree, files, manifest, others) is { } same)
            return same;

        var fixedPlaces = profile.Places
            .Where(p => p.ManifestField is not null && p.Editions.Holds(edition))
            .Select(p => (Place: p, Path: manifest.FindPath(p.ManifestField!)))
            .Where(p => p.Path is not null)
            .ToDictionary(p => p.Path!.Value, p => p.Place);
        var facts = before is null ? new Dictionary<PackPath, FileFacts>(files.Count) : new Dictionary<PackPath, FileFacts>(before.facts);
        var located = new List<(TreeFile File, Place Place, Bindings Bindings, Placement? Known)>(files.Count);
        var unknown = new List<(TreeFile File, Place? Place)>();
        var known = new KnownFiles(before);
        foreach (var file in files)
        {
            var (old, was) = known.StepTo(file.Path, facts);
            var found = was is { Place.Pattern: not null } ? (was.Place, was.Bindings) : profile.Locate(file.Path, edition);
            var place = found?.Place ?? fixedPlaces.GetValueOrDefault(file.Path);
            var isKnown = old is not null && old.Content.IsSameAs(file.Content) && ReferenceEquals(was?.Place, place);
            if (!isKnown) unknown.Add((file, place));
            if (place is not null) located.Add((file, place, found?.Bindings ?? Bindings.None, isKnown ? was : null));
        }

        known.StepToEnd(facts);
        var failed = new List<UnjudgedFile>(aside);
        foreach (var (path, read) in FactsReader.ReadAll(unknown, progress, cancel))
        {
            facts.Remove(path);
            if (read.Fault is { } fault) failed.Add(new UnjudgedFile(tree.Find(path)!, fault));
            else facts[path] = read;
        }

        if (failed.Count > left.Count)
        {
            left.UnionWith(failed.Select(f => f.File.Path));
            files.RemoveAll(f => left.Contains(f.Path));
            located.RemoveAll(l => left.Contains(l.File.Path));
        }

        var placements = located
            .Select(f => f.Known ?? new Placement(f.File.Path, f.Place, f.Bindings, Layer.Pack, facts[f.File.Path]))
            .ToList();
        return new PackReading(profile, edition, tree, manifest, facts, files, placements, [.. failed.OrderBy(f => f.File.Path)]);
    }

    /// <summary>
    /// Where the files are those of an earlier reading but for the bytes of pictures in places: the indices of those in its
    /// placements. Else null.
    /// </summary>
    private static List<(int Index, TreeFile File)>? OtherPictures(PackReading before, List<TreeFile> files)
    {
        if (files.Count != before.files.Count) return null;
        var others = new List<(int, TreeFile)>();
        for (var i = 0; i < files.Count; i++)
        {
            var (was, now) = (before.files[i], files[i]);
            if (ReferenceEquals(was, now)) continue;
            if (was.Path != now.Path) return null;
            if (was.Content.IsSameAs(now.Content)) continue;
            if (before.IndexOf(now.Path) is not { } index || before.Placements[index].Place.Content != PlaceContent.Picture) return null;
            others.Add((index, now));
        }

        return others;
    }

    /// <summary>This reading with other pictures; null when one of them can be read and could not before, or the other way round.</summary>
    private PackReading? With(FileTree tree, List<TreeFile> now, ManifestFacts manifest, List<(int Index, TreeFile File)> others)
    {
        if (!tree.Refused.SequenceEqual(Tree.Refused) || unjudged.Count > 0) return null;
        var read = FactsReader.ReadAll([.. others.Select(o => (o.File, (Place?)Placements[o.Index].Place))]);
        var (newFacts, placements) = (new Dictionary<PackPath, FileFacts>(facts), Placements.ToList());
        foreach (var (index, file) in others)
        {
            var picture = read[file.Path];
            if (picture.Fault is not null || picture.Unreadable is null != placements[index].Facts.Unreadable is null) return null;
            newFacts[file.Path] = picture;
            placements[index] = placements[index] with { Facts = picture };
        }

        return new PackReading(Profile, Edition, tree, manifest, newFacts, now, placements, [], sameBut: this);
    }

    private int? IndexOf(PackPath path)
    {
        var (from, to) = (0, Placements.Count - 1);
        while (from <= to)
        {
            var middle = (from + to) / 2;
            var order = Placements[middle].Path.CompareTo(path);
            if (order == 0) return middle;
            if (order < 0) from = middle + 1;
            else to = middle - 1;
        }

        return null;
    }

    /// <summary>The files of an earlier reading, led along those of a later one; both are in order of path.</summary>
    private sealed class KnownFiles(PackReading? before)
    {
        private int file;
        private int placement;

        /// <summary>The file at a path with its place, as it was; facts of those before it are taken away, since they are gone.</summary>
        public (TreeFile? File, Placement? Placement) StepTo(PackPath path, Dictionary<PackPath, FileFacts> facts)
        {
            if (before is null) return (null, null);
            for (; file < before.files.Count && before.files[file].Path < path; file++) facts.Remove(before.files[file].Path);
            var old = file < before.files.Count && before.files[file].Path == path ? before.files[file++] : null;
            var placements = before.placements;
            while (placement < placements.Count && placements[placement].Path < path) placement++;
            return (old, placement < placements.Count && placements[placement].Path == path ? placements[placement++] : null);
        }

        public void StepToEnd(Dictionary<PackPath, FileFacts> facts)
        {
            for (; file < before?.files.Count; file++) facts.Remove(before.files[file].Path);
        }
    }

    private static T All<T>(T all)
    {
        ReadSet.NoteEverything();
        return all;
    }

    private List<TreeFile> FindUnplaced()
    {
        var placed = placements.Select(p => p.Path).ToHashSet();
        return [.. files.Where(f => !placed.Contains(f.Path) && f.Path != Profile.Manifest.Path)];
    }
}
