using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A group and what was found in it.</summary>
/// <param name="Group">The group.</param>
/// <param name="Local">By checks of file and group scope.</param>
/// <param name="Structural">By checks of structure scope.</param>
public sealed record GroupFindings(Group Group, IReadOnlyList<Finding> Local, IReadOnlyList<Finding> Structural);

/// <summary>What a run found, to be taken over by the next run where what was looked at is the same.</summary>
/// <param name="Overlay">The stack of that run; null before any.</param>
/// <param name="Groups">By key.</param>
/// <param name="Whole">By check of structure scope: what it found in the pack as a whole.</param>
public sealed record EngineMemory(
    Overlay? Overlay,
    IReadOnlyDictionary<string, GroupFindings> Groups,
    IReadOnlyDictionary<Check, IReadOnlyList<Finding>> Whole)
{
    /// <summary>Nothing.</summary>
    public static EngineMemory Empty { get; } = new(
        null,
        new Dictionary<string, GroupFindings>(),
        new Dictionary<Check, IReadOnlyList<Finding>>());
}

/// <summary>What a run found, and what the next one may take over.</summary>
/// <param name="Findings">Each fact once, waivers applied, ordered by path, then code, pointer and discriminator.</param>
/// <param name="Memory">For the next run.</param>
/// <param name="Looked">Keys of the groups that were looked at anew.</param>
public sealed record EngineRun(IReadOnlyList<Finding> Findings, EngineMemory Memory, IReadOnlySet<string> Looked);
