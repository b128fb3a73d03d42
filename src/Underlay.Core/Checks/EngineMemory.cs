using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>What checks found, and what they asked the stack for while they looked.</summary>
/// <param name="Findings">The findings.</param>
/// <param name="Reads">The questions; with the same answers the findings are the same.</param>
internal sealed record Found(IReadOnlyList<Finding> Findings, ReadSet Reads)
{
    /// <summary>Looks, and notes the questions.</summary>
    public static Found While(Func<IReadOnlyList<Finding>> look)
    {
        var (findings, asked) = ReadSet.Record(look);
        return new Found(findings, asked);
    }
}

/// <summary>A group and what was found in it.</summary>
/// <param name="Group">The group.</param>
/// <param name="Local">By checks of file and group scope.</param>
/// <param name="Structural">By checks of structure scope.</param>
internal sealed record GroupFindings(Group Group, Found Local, Found Structural);

/// <summary>What a run found, to be taken over by the next run where what was looked at is the same.</summary>
public sealed class EngineMemory
{
    internal EngineMemory(
        Overlay? overlay,
        IReadOnlyDictionary<string, GroupFindings> groups,
        IReadOnlyDictionary<Check, Found> whole)
    {
        Overlay = overlay;
        Groups = groups;
        Whole = whole;
    }

    /// <summary>Nothing.</summary>
    public static EngineMemory Empty { get; } = new(
        null,
        new Dictionary<string, GroupFindings>(),
        new Dictionary<Check, Found>());

    /// <summary>The stack of that run; null before any.</summary>
    internal Overlay? Overlay { get; }

    /// <summary>By key.</summary>
    internal IReadOnlyDictionary<string, GroupFindings> Groups { get; }

    /// <summary>What was found in the pack as a whole.</summary>
    internal IReadOnlyDictionary<Check, Found> Whole { get; }
}

/// <summary>What a run found, and what the next one may take over.</summary>
/// <param name="Overlay">The pack over its base.</param>
/// <param name="Findings">Each fact once, waivers applied, ordered by path, then code, pointer and discriminator.</param>
/// <param name="Memory">For the next run.</param>
/// <param name="Looked">Keys of the groups that were looked at anew.</param>
/// <param name="Faults">Where checks failed; with any of them the findings are not whole.</param>
public sealed record EngineRun(
    Overlay Overlay,
    IReadOnlyList<Finding> Findings,
    EngineMemory Memory,
    IReadOnlyList<string> Looked,
    IReadOnlyList<JudgingFault> Faults);
