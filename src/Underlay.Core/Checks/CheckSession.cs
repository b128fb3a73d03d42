using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;
using Underlay.Core.Steps;

namespace Underlay.Core.Checks;

/// <summary>
/// A pack that is checked again after each change, at the cost of what the change touches: facts are taken of changed files
/// only, and groups that are as they were are not judged again. A session is a value; each change makes the next one.
/// </summary>
public sealed class CheckSession
{
    private readonly HostProfile profile;
    private readonly Edition? edition;
    private readonly Func<Edition, BaseCatalogue> baseOf;
    private readonly EngineMemory memory;
    private readonly CheckEngine engine;

    private CheckSession(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        CheckReport report,
        EngineMemory memory,
        IReadOnlyList<string> looked,
        CheckEngine engine)
    {
        this.profile = profile;
        this.edition = edition;
        this.baseOf = baseOf;
        this.memory = memory;
        this.engine = engine;
        Tree = tree;
        Report = report;
        Looked = looked;
    }

    /// <summary>The pack's files.</summary>
    public FileTree Tree { get; }

    /// <summary>The same as a check of the tree from nothing.</summary>
    public CheckReport Report { get; }

    /// <summary>Keys of the groups that the last change made the checks look at.</summary>
    public IReadOnlyList<string> Looked { get; }

    /// <summary>The files that are judged: all but those at which we failed, and those of the reserved folder; ordered by path.</summary>
    public IReadOnlyList<TreeFile> Judged
    {
        get
        {
            var aside = Report.Unjudged.Select(u => u.File.Path).ToHashSet();
            return [.. Tree.Files.Where(f => !ReservedFolder.Holds(f.Path) && !aside.Contains(f.Path))];
        }
    }

    /// <summary>Begins with a whole check.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition, or null for the newest that the manifest declares, else the newest.</param>
    /// <param name="baseOf">Gives the base of an edition; the same object each time.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="engine">The checks to make; null for all.</param>
    /// <param name="progress">Told the number of files read, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static CheckSession Open(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        CheckEngine? engine = null,
        IProgress<int>? progress = null,
        CancellationToken cancel = default) =>
        Make(profile, edition, baseOf, tree, null, engine ?? CheckEngine.Whole, [], progress, cancel);

    /// <summary>The session after a change.</summary>
    /// <exception cref="InvalidOperationException">An edit does not apply.</exception>
    public CheckSession With(IEnumerable<TreeEdit> edits, CancellationToken cancel = default) =>
        MovedTo(Tree.With(edits), cancel);

    /// <summary>The session after a change that is known by its outcome.</summary>
    /// <param name="tree">The tree after it; files that are the same hold the same content object.</param>
    /// <param name="cancel">Stops between two files.</param>
    public CheckSession MovedTo(FileTree tree, CancellationToken cancel = default) =>
        Make(profile, edition, baseOf, tree, this, engine, [], null, cancel);

    /// <summary>The session with further files left out, because we fail at them elsewhere.</summary>
    public CheckSession Without(IReadOnlyCollection<UnjudgedFile> aside, CancellationToken cancel = default) =>
        Make(profile, edition, baseOf, Tree, this, engine, aside, null, cancel);

    /// <summary>The session where the same bytes lie elsewhere now, which is told what was found in them.</summary>
    /// <param name="tree">The same files; such as differ are looked at as after any change.</param>
    /// <param name="cancel">Stops between two files.</param>
    public CheckSession HeldIn(FileTree tree, CancellationToken cancel = default)
    {
        var places = Report.Overlay?.Pack.Placements.ToDictionary(p => p.Path) ?? [];
        foreach (var now in tree.Files)
        {
            if (Tree.Find(now.Path) is not { } was || ReferenceEquals(was.Content, now.Content)) continue;
            if (!was.Content.IsSameAs(now.Content)) continue;
            if (places.GetValueOrDefault(now.Path) is { } placed) FactsReader.Transfer(placed.Facts, now, placed.Place);
            else if (now.Path.IsBelow(ReservedFolder.Steps)) StepsFile.Transfer(was, now);
        }

        return MovedTo(tree, cancel);
    }

    private static CheckSession Make(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        CheckSession? before,
        CheckEngine engine,
        IReadOnlyCollection<UnjudgedFile> aside,
        IProgress<int>? progress,
        CancellationToken cancel)
    {
        var manifest = ManifestFacts.Read(profile, tree);
        var chosen = edition ?? manifest.To ?? profile.Newest;
        if (Wrapped.Find(profile, tree) is { } wrapped)
        {
            var report = new CheckReport(profile.Key, chosen, null, [wrapped], [.. CheckList.Codes.Where(c => c != Wrapped.Code)], null);
            return new CheckSession(profile, edition, baseOf, tree, report, EngineMemory.Empty, [], engine);
        }

        // Another edition has other places and another base: nothing known holds there.
        var last = before?.Report.Edition == chosen ? before : null;
        EngineRun Judge(IReadOnlyList<UnjudgedFile> left)
        {
            var reading = PackReading.Read(profile, chosen, tree, manifest, last?.Report.Overlay?.Pack, left, progress, cancel);
            var overlay = Overlay.Of(
                reading,
                baseOf(chosen),
                () => [.. profile.Editions.Where(e => e != chosen).Select(baseOf)],
                last?.Report.Overlay);
            return engine.Run(overlay, last?.memory ?? EngineMemory.Empty);
        }

        // What we failed at is not tried again as long as it is the same.
        var known = (before?.Report.Unjudged ?? [])
            .Concat(aside)
            .Where(u => tree.Find(u.File.Path)?.Hash == u.File.Hash)
            .DistinctBy(u => u.File.Path)
            .OrderBy(u => u.File.Path);
        var judged = new Isolation(tree, Judge).Run([.. known], last?.Report.Skipped ?? []);
        return new CheckSession(
            profile,
            edition,
            baseOf,
            tree,
            new CheckReport(
                profile.Key,
                chosen,
                manifest.Id,
                judged.Findings,
                [.. judged.Faults.Select(f => f.Check).OfType<CheckCode>().Distinct()],
                judged.Overlay),
            judged.Memory,
            judged.Looked,
            engine);
    }
}
