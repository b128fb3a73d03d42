using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Server.Packs;

/// <summary>How many findings there are of each severity, waived ones left aside.</summary>
internal sealed record FindingCounts(int Blocker, int Warning, int Note)
{
    public static FindingCounts Of(IEnumerable<Finding> findings)
    {
        var open = findings.Where(f => f.Waiver is null).ToLookup(f => f.Severity);
        return new FindingCounts(open[Severity.Blocker].Count(), open[Severity.Warning].Count(), open[Severity.Note].Count());
    }
}

/// <summary>One column of the section.</summary>
/// <param name="Place">The place's key.</param>
/// <param name="Title">The place's name.</param>
/// <param name="Family">The family of places that it belongs to.</param>
/// <param name="InBase">The host's own files.</param>
/// <param name="Overrides">Files of the pack that lie over files of the base and differ from them.</param>
/// <param name="Copies">Files of the pack that are as in the base.</param>
/// <param name="Additions">Files of the pack on new paths.</param>
/// <param name="IsPartial">The overrides change rows of what they lie over, and do not replace it.</param>
/// <param name="Findings">What was found there.</param>
internal sealed record SectionColumn(
    string Place,
    string Title,
    string Family,
    int InBase,
    int Overrides,
    int Copies,
    int Additions,
    bool IsPartial,
    FindingCounts Findings);

/// <summary>What every page shows of a pack.</summary>
/// <param name="Looks">Paths of a few of its pictures, of different places, which stand in where it has no front.</param>
/// <param name="PlaysSounds">The host plays sounds of packs.</param>
internal sealed record PackSummary(
    string Host,
    string HostTitle,
    string Edition,
    string EditionTitle,
    string Title,
    string? PackId,
    string? Version,
    string? Front,
    IReadOnlyList<string> Looks,
    IReadOnlyList<SectionColumn> Section,
    FindingCounts Findings,
    int Files,
    int InTray,
    int ToFit,
    int Definitions,
    bool PlaysSounds)
{
    /// <summary>The column of what has no place, and of the manifest and the pack as a whole.</summary>
    public const string Elsewhere = "elsewhere";

    private const int MostLooks = 4;

    private static readonly string[] SizeCodes =
    [
        "image/wrong-size",
        "image/not-power-of-two",
        "image/not-a-multiple",
        "companion/size-differs",
    ];

    /// <summary>Of a pack of which no more is known than what it is called.</summary>
    public static PackSummary Unknown(string host, string name) =>
        new(host, host, "", "", name, null, null, null, [], [], new FindingCounts(0, 0, 0), 0, 0, 0, 0, false);

    public static PackSummary Of(PackSnapshot snapshot)
    {
        var (profile, report) = (snapshot.Profile, snapshot.Report);
        var manifest = snapshot.Overlay?.Pack.Manifest ?? ManifestFacts.Read(profile, snapshot.Tree);
        var placements = snapshot.Overlay?.Pack.Placements ?? [];
        return new PackSummary(
            profile.Key,
            profile.Title,
            report.Edition.Key,
            report.Edition.Title,
            manifest.Title ?? snapshot.Name,
            manifest.Id,
            manifest.Version,
            placements.FirstOrDefault(p => p.Place.ManifestField is not null && p.Facts.Picture is { IsReadable: true })?.Path.Value,
            LooksOf(placements),
            SectionOf(snapshot),
            FindingCounts.Of(report.Findings),
            snapshot.Tree.Files.Count(f => !ReservedFolder.Holds(f.Path)),
            snapshot.Tray.Count(),
            report.Findings.Where(f => f.Waiver is null && SizeCodes.Contains(f.Code.Value)).Select(f => f.Path).Distinct().Count(),
            placements.Count(p => p.Place.HoldsText) + (snapshot.Tree.Find(profile.Manifest.Path) is null ? 0 : 1),
            profile.Places.Any(p => p.Content == PlaceContent.Sound && p.Editions.Holds(report.Edition)));
    }

    /// <summary>One of each place first, so that a few show much of the pack.</summary>
    private static List<string> LooksOf(IEnumerable<Placement> placements) =>
    [
        .. placements
            .Where(p => p.Facts.Picture is { IsReadable: true } && p.Place.PictureFormat is { TakesOthers: true })
            .GroupBy(p => p.Place)
            .SelectMany(g => g.Take(MostLooks).Select((p, at) => (p.Path, At: at)))
            .OrderBy(p => p.At)
            .Take(MostLooks)
            .Select(p => p.Path.Value),
    ];

    /// <summary>
    /// The key of the section's column to which a finding belongs: that of its path, else of the files that it stands for.
    /// </summary>
    public static string ColumnOf(PackSnapshot snapshot, Finding finding) =>
        finding.Parts
            .Select(p => p.Path)
            .Prepend(finding.Path)
            .Select(p => ColumnOf(snapshot, p))
            .FirstOrDefault(c => c != Elsewhere, Elsewhere);

    private static string ColumnOf(PackSnapshot snapshot, string path)
    {
        // A finding at a row stands at its file, with the row behind "#".
        if (!PackPath.TryParse(path.Split('#')[0], out var sound, out _)) return Elsewhere;
        if (snapshot.Profile.Locate(sound, snapshot.Edition) is { } located) return located.Place.Key;
        return snapshot.Overlay?.Pack.Placements.FirstOrDefault(p => p.Path == sound)?.Place.Key ?? Elsewhere;
    }

    private static List<SectionColumn> SectionOf(PackSnapshot snapshot)
    {
        var findings = snapshot.Report.Findings.ToLookup(f => ColumnOf(snapshot, f), StringComparer.Ordinal);
        var columns = snapshot.Overlay is { } overlay
            ? Coverage.Of(overlay)
                .Select(
                    c =>
                        new SectionColumn(
                            c.Place.Key,
                            c.Place.Title,
                            c.Place.Family.Title,
                            c.InBase,
                            c.Overrides,
                            c.Copies,
                            c.Additions,
                            c.IsPartial,
                            FindingCounts.Of(findings[c.Place.Key])))
            : snapshot.Profile.Places.Select(
                p => new SectionColumn(p.Key, p.Title, p.Family.Title, 0, 0, 0, 0, false, FindingCounts.Of(findings[p.Key])));
        var unplaced = snapshot.Overlay?.Pack.Unplaced.Count ?? snapshot.Tree.Files.Count;
        return
        [
            .. columns,
            new SectionColumn(Elsewhere, "No place", "No place", 0, 0, 0, unplaced, false, FindingCounts.Of(findings[Elsewhere])),
        ];
    }
}
