using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Packaging;

namespace Underlay.Core.Checks;

/// <summary>Findings for archives that are refused whole, so that a report names the reason like any other.</summary>
public static class ArchiveFindings
{
    /// <summary>The finding for what kept an archive from being read.</summary>
    public static Finding Of(ArchiveProblem problem) =>
        UnsafePackage.Find(problem) ?? DamagedPackage.Find(problem) ?? OversizedPackage.Find(problem)
        ?? throw new ArgumentOutOfRangeException(nameof(problem));

    internal static Finding Describe(CheckCode code, ArchiveProblem problem, string reason) => new()
    {
        Code = code,
        Severity = Severity.Blocker,
        Path = UnsafePath.Printable(problem.Entry),
        Message = problem.Says,
        Predicts = [new Prediction(PredictionKind.Unlisted, "", reason)],
    };
}
