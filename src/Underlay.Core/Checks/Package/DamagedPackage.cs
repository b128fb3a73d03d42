using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;

namespace Underlay.Core.Checks;

/// <summary>An archive is truncated, encrypted, packed by another method or has wrong CRCs.</summary>
/// <remarks>Host: not listed, damaged. Underlay refuses the archive whole. See docs/checks.md#packagedamaged.</remarks>
public static class DamagedPackage
{
    /// <summary>The check's name.</summary>
    public static CheckCode Code { get; } = new("package/damaged");

    /// <summary>The finding for a refused archive, or null when it was refused for something else.</summary>
    public static Finding? Find(ArchiveProblem problem) =>
        problem.Kind == ArchiveProblemKind.Damaged ? ArchiveFindings.Describe(Code, problem, OwnCodes.Damaged) : null;
}
