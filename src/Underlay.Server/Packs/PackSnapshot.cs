using Underlay.Core.Checks;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;
using Underlay.Data.Blobs;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>A pack at one revision, checked. Edits make the next one.</summary>
internal sealed class PackSnapshot(Guid id, string name, HostProfile profile, long revision, CheckSession session, AdviceMemory advice)
{
    // Paths, facts, placements, groups and what checks remember, measured on packs of 10,000 files.
    private const long BytesOfFile = 4096;
    private const long TextsInMemory = 3;

    // Many are asked for at once when many are mended.
    private readonly Lazy<Dictionary<FindingKey, Finding>> byKey = new(
        () => session.Report.Findings.DistinctBy(f => f.Key).ToDictionary(f => f.Key));

    public Guid Id => id;

    /// <summary>What the pack is called while its manifest has no title.</summary>
    public string Name => name;

    public HostProfile Profile => profile;

    public long Revision => revision;

    public CheckSession Session => session;

    public FileTree Tree => session.Tree;

    public CheckReport Report => session.Report;

    public Edition Edition => session.Report.Edition;

    /// <summary>About how many bytes of memory it takes: what texts say, and what is known of each file.</summary>
    public long Weight => Tree.Files.Count * BytesOfFile
        + (Overlay?.Pack.Placements.Where(p => p.Place.PictureFormat is null).Sum(p => p.Facts.Length * TextsInMemory) ?? 0);

    /// <summary>The finding of a key, or null.</summary>
    public Finding? Find(FindingKey key) => byKey.Value.GetValueOrDefault(key);

    /// <summary>The pack over its base, or null while one folder lies around everything.</summary>
    public Overlay? Overlay => session.Report.Overlay;

    /// <exception cref="ProblemException">One folder lies around all of the pack.</exception>
    public Overlay NeedOverlay() =>
        Overlay ?? throw new ProblemException(409, "wrapped", "One folder lies around the whole pack; unwrap it first, in Prove.");

    public FixContext FixContext => new(NewPack.NameOf(name), profile, Edition, Overlay);

    /// <summary>Files that are not yet placed.</summary>
    public IEnumerable<TreeFile> Tray => Tree.Files.Where(f => f.Path.IsBelow(ReservedFolder.Tray));

    public static string HashOf(TreeFile file) => ((BlobContent)file.Content).Hash.Hex;

    /// <summary>The snapshot after edits.</summary>
    /// <param name="edits">What changed.</param>
    /// <param name="next">The revision that they lead to.</param>
    /// <param name="checkedBefore">Where the same edits were checked before they were kept.</param>
    /// <param name="cancel">Stops between two files.</param>
    public PackSnapshot With(
        IReadOnlyList<TreeEdit> edits,
        long next,
        CheckSession? checkedBefore = null,
        CancellationToken cancel = default)
    {
        var after = checkedBefore?.HeldIn(Tree.With(edits), cancel) ?? session.With(edits, cancel);
        return new PackSnapshot(id, name, profile, next, after, advice);
    }

    /// <summary>The same with files left out of what is judged.</summary>
    public PackSnapshot Without(IReadOnlyList<UnjudgedFile> aside, CancellationToken cancel) =>
        new(id, name, profile, revision, session.Without(aside, cancel), advice);

    /// <summary>Where the files of the tray belong.</summary>
    public IReadOnlyList<PlacementAdvice> Advise() =>
        Overlay is { } overlay
            ? advice.Advise(overlay, [.. Tray], ReadAhead.Of)
            : [.. Tray.Select(f => new PlacementAdvice(f, [], Begins: FileFormats.OfHead(f.ReadStart(FileFormat.HeadBytes))))];
}
