using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>What a check of a pack says.</summary>
/// <param name="Host">The host's key.</param>
/// <param name="Edition">The edition that it was checked for.</param>
/// <param name="PackId">The id in the manifest, or null.</param>
/// <param name="Findings">Ordered by path.</param>
/// <param name="Skipped">Checks that could not run.</param>
/// <param name="Overlay">The pack over its base; null where nothing but the shape of the archive was looked at.</param>
public sealed record CheckReport(
    string Host,
    Edition Edition,
    string? PackId,
    IReadOnlyList<Finding> Findings,
    IReadOnlyList<CheckCode> Skipped,
    Overlay? Overlay)
{
    /// <summary>The files at which we failed, and without which all was judged.</summary>
    public IReadOnlyList<UnjudgedFile> Unjudged => Overlay?.Pack.Unjudged ?? [];

    /// <summary>How many findings have a severity, the waived ones left aside.</summary>
    public int Count(Severity severity) => Findings.Count(f => f.Severity == severity && f.Waiver is null);

    /// <summary>True when a blocker is not waived.</summary>
    public bool Blocks => Findings.Any(f => f.Blocks);

    /// <summary>Checks a pack.</summary>
    /// <param name="profile">The host.</param>
    /// <param name="edition">The edition, or null for the newest that the manifest declares, else the newest.</param>
    /// <param name="baseOf">Gives the base of an edition.</param>
    /// <param name="tree">The pack's files.</param>
    /// <param name="progress">Told the number of files read, now and then.</param>
    /// <param name="cancel">Stops between two files.</param>
    public static CheckReport Make(
        HostProfile profile,
        Edition? edition,
        Func<Edition, BaseCatalogue> baseOf,
        FileTree tree,
        IProgress<int>? progress = null,
        CancellationToken cancel = default) =>
        CheckSession.Open(profile, edition, baseOf, tree, null, progress, cancel).Report;
}
