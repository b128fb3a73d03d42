using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;

namespace Underlay.Core.Checks;

/// <summary>An archive is larger, or would unpack to more, than the host or Underlay takes.</summary>
/// <remarks>Host: not listed, too_big. Underlay refuses the archive whole. See docs/checks.md#packagetoo-big.</remarks>
public static class OversizedPackage
{
    /// <summary>The check's name.</summary>
    public static CheckCode Code { get; } = new("package/too-big");

    /// <summary>The finding for a refused archive, or null when it was refused for something else.</summary>
    public static Finding? Find(ArchiveProblem problem) =>
        problem.Kind == ArchiveProblemKind.TooBig ? ArchiveFindings.Describe(Code, problem, OwnCodes.TooBig) : null;
}
