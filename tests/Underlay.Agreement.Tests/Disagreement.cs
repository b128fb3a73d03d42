using System.IO.Compression;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Packaging;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>What the check predicts and what the stand-in reports, as comparable lines.</summary>
internal sealed record Verdicts(IReadOnlySet<string> Predicted, IReadOnlySet<string> Reported)
{
    public bool Agree => Predicted.SetEquals(Reported);

    public override string ToString() =>
        $"only predicted: {string.Join(", ", Predicted.Except(Reported).Order())}; only reported: "
            + $"{string.Join(", ", Reported.Except(Predicted).Order())}";
}

/// <summary>Runs a check and the stand-in on one pack and compares them.</summary>
internal static class Disagreement
{
    private static readonly Dictionary<string, Kilnmoor.Layer> Bases = Repository.Kilnmoor.Editions.ToDictionary(
        e => e.Key,
        e => Kilnmoor.Layer.OfBase(SmallBase.FilesOf(e.Key).Select(f => (f.Key, f.Value))));

    /// <summary>Both verdicts. When the package is not listed, only the reasons are compared: nothing else was judged.</summary>
    public static Verdicts Of(APack pack, CheckEngine? engine = null, string edition = "4.0")
    {
        var report = pack.Check(Repository.Kilnmoor.FindEdition(edition));
        var findings = engine is null || report.Overlay is null ? report.Findings : engine.Run(report.Overlay);
        return Compare(findings, Try(Zip(pack), edition));
    }

    public static Verdicts Compare(IReadOnlyList<Finding> findings, StandIns.Report trial)
    {
        var predicted = findings.SelectMany(f => f.Predicts).ToList();
        var unlisted = predicted.Where(p => p.Kind == PredictionKind.Unlisted).Select(p => $"unlisted {p.Code}").ToHashSet();
        if (trial.Packages[0] is { Listed: false, Reason: var reason })
            return new Verdicts(unlisted, new HashSet<string> { $"unlisted {reason}" });
        return new Verdicts(
            predicted.Select(p => p.Kind switch
            {
                PredictionKind.Outcome => $"{p.Code} {p.Path}",
                PredictionKind.Drop => $"dropped {p.Code} {p.Path}",
                _ => $"unlisted {p.Code}",
            }).ToHashSet(),
            trial.Shown.Where(s => s.As != "right").SelectMany(s => s.Also.Prepend(s.As).Select(o => $"{o} {s.Path}"))
                .Concat(trial.Dropped.Select(d => $"dropped {d.Code} {d.Path}"))
                .ToHashSet());
    }

    public static StandIns.Report Try(byte[] package, string edition = "4.0") =>
        Kilnmoor.Game.Load(Bases[edition], edition, insist: false, [("pack.kilnmoor", () => new MemoryStream(package))]);

    /// <summary>Packs every file as it is, by another writer than the one under test; what <c>build</c> leaves out goes in.</summary>
    public static byte[] Zip(APack pack)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (path, content) in pack.Files)
            {
                using var entry = zip.CreateEntry(path, CompressionLevel.Fastest).Open();
                entry.Write(content);
            }
        }

        return bytes.ToArray();
    }

    /// <summary>Takes files away as long as the two still disagree.</summary>
    public static APack Shrink(APack pack, Func<APack, bool> stillFails)
    {
        for (var again = true; again;)
        {
            again = false;
            foreach (var path in pack.Files.Keys.ToList())
            {
                var smaller = pack.Without(path);
                if (!stillFails(smaller)) continue;
                pack = smaller;
                again = true;
            }
        }

        return pack;
    }

    /// <summary>What the check says of an archive that it may refuse.</summary>
    public static IReadOnlyList<Finding> CheckArchive(byte[] package)
    {
        var result = ZipReader.Read(package, ArchiveLimits.Standard);
        return result.Problem is { } problem
            ? [ArchiveFindings.Of(problem)]
            : CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, result.Tree!).Findings;
    }
}
