using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Packaging;

namespace Underlay.Core.Checks;

/// <summary>An archive holds a name that could leave the pack, repeats or collides.</summary>
/// <remarks>Host: not listed, unsafe. Underlay refuses the archive whole. See docs/checks.md#packageunsafe.</remarks>
public static class UnsafePackage
{
    /// <summary>The check's name.</summary>
    public static CheckCode Code { get; } = new("package/unsafe");

    /// <summary>The finding for a refused archive, or null when it was refused for something else.</summary>
    public static Finding? Find(ArchiveProblem problem) =>
        problem.Kind == ArchiveProblemKind.Unsafe ? ArchiveFindings.Describe(Code, problem, OwnCodes.Unsafe) : null;
}
