using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A group and what was found in it.</summary>
/// <param name="Group">The group.</param>
/// <param name="Local">By checks of file and group scope.</param>
/// <param name="Structural">By checks of structure scope.</param>
/// <param name="Asked">What these asked of the stack.</param>
internal sealed record GroupFindings(Group Group, IReadOnlyList<Finding> Local, IReadOnlyList<Finding> Structural, Asked Asked);

/// <summary>What a check found in the pack as a whole.</summary>
/// <param name="Findings">The findings.</param>
/// <param name="Asked">What it asked of the stack.</param>
internal sealed record WholeFindings(IReadOnlyList<Finding> Findings, Asked Asked);

/// <summary>What a run found, to be taken over by the next run where what was looked at is the same.</summary>
public sealed class EngineMemory
{
    internal EngineMemory(
        Overlay? overlay,
        IReadOnlyDictionary<string, GroupFindings> groups,
        IReadOnlyDictionary<Check, WholeFindings> whole)
    {
        Overlay = overlay;
        Groups = groups;
        Whole = whole;
    }

    /// <summary>Nothing.</summary>
    public static EngineMemory Empty { get; } = new(
        null,
        new Dictionary<string, GroupFindings>(),
        new Dictionary<Check, WholeFindings>());

    /// <summary>The stack of that run; null before any.</summary>
    internal Overlay? Overlay { get; }

    /// <summary>By key.</summary>
    internal IReadOnlyDictionary<string, GroupFindings> Groups { get; }

    /// <summary>What was found in the pack as a whole.</summary>
    internal IReadOnlyDictionary<Check, WholeFindings> Whole { get; }
}

/// <summary>What a run found, and what the next one may take over.</summary>
/// <param name="Findings">Each fact once, waivers applied, ordered by path, then code, pointer and discriminator.</param>
/// <param name="Memory">For the next run.</param>
/// <param name="Looked">Keys of the groups that were looked at anew.</param>
public sealed record EngineRun(IReadOnlyList<Finding> Findings, EngineMemory Memory, IReadOnlyList<string> Looked);
