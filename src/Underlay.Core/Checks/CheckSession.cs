using Underlay.Core.BaseFiles;
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

    private CheckSession(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        CheckReport report,
        EngineMemory memory,
        IReadOnlyList<string> looked)
    {
        this.profile = profile;
        this.edition = edition;
        this.baseOf = baseOf;
        this.memory = memory;
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

    /// <summary>Begins with a whole check.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition, or null for the newest that the manifest declares, else the newest.</param>
    /// <param name="baseOf">Gives the base of an edition; the same object each time.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="progress">Told the number of files read, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static CheckSession Open(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        IProgress<int>? progress = null,
        CancellationToken cancel = default) =>
        Make(profile, edition, baseOf, tree, null, progress, cancel);

    /// <summary>The session after a change.</summary>
    /// <exception cref="InvalidOperationException">An edit does not apply.</exception>
    public CheckSession With(IEnumerable<TreeEdit> edits, CancellationToken cancel = default) =>
        MovedTo(Tree.With(edits), cancel);

    /// <summary>The session after a change that is known by its outcome.</summary>
    /// <param name="tree">The tree after it; files that are the same hold the same content object.</param>
    /// <param name="cancel">Stops between two files.</param>
    public CheckSession MovedTo(FileTree tree, CancellationToken cancel = default) =>
        Make(profile, edition, baseOf, tree, this, null, cancel);

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
            if (places.GetValueOrDefault(now.Path) is { } placed) FactsReader.HandOn(placed.Facts, now, placed.Place);
            else if (now.Path.IsBelow(ReservedFolder.Steps)) StepsFile.HandOn(was, now);
        }

        return MovedTo(tree, cancel);
    }

    private static CheckSession Make(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        CheckSession? before,
        IProgress<int>? progress,
        CancellationToken cancel)
    {
        var manifest = ManifestFacts.Read(profile, tree);
        var chosen = edition ?? manifest.To ?? profile.Newest;
        if (Wrapped.Find(profile, tree) is { } wrapped)
        {
            var report = new CheckReport(profile.Key, chosen, null, [wrapped], [.. CheckList.Codes.Where(c => c != Wrapped.Code)], null);
            return new CheckSession(profile, edition, baseOf, tree, report, EngineMemory.Empty, []);
        }

        // Another edition has other places and another base: nothing known holds there.
        var last = before?.Report.Edition == chosen ? before : null;
        var reading = PackReading.Read(profile, chosen, tree, manifest, last?.Report.Overlay?.Pack, progress, cancel);
        var overlay = Overlay.Of(
            reading,
            baseOf(chosen),
            () => [.. profile.Editions.Where(e => e != chosen).Select(baseOf)],
            last?.Report.Overlay);
        var run = CheckEngine.Whole.Run(overlay, last?.memory ?? EngineMemory.Empty);
        return new CheckSession(
            profile,
            edition,
            baseOf,
            tree,
            new CheckReport(profile.Key, chosen, manifest.Id, run.Findings, [], overlay),
            run.Memory,
            run.Looked);
    }
}
