using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;

namespace Underlay.Core.Stacks;

/// <summary>Whether the host leaves a file of the pack out.</summary>
/// <param name="Placement">The file.</param>
/// <param name="Broken">The first rule that it breaks, with the host's word for it; null where it breaks none.</param>
/// <param name="Reads">What was asked of the stack to tell.</param>
internal sealed record DropVerdict(Placement Placement, (string Code, Rule Rule)? Broken, ReadSet Reads);

/// <summary>What the rounds in which drops are decided hand on to those after a change of the pack.</summary>
/// <param name="Unusable">Files that cannot be used whatever else there is.</param>
/// <param name="Doubting">Files of the pack because of which files of the base are looked at, or may have to be.</param>
/// <param name="First">The verdicts of the first round.</param>
internal sealed record DropMemory(
    IReadOnlyDictionary<PackPath, Drop> Unusable,
    IReadOnlySet<PackPath> Doubting,
    IReadOnlyDictionary<PackPath, DropVerdict> First)
{
    /// <summary>Nothing.</summary>
    public static DropMemory Empty { get; } = new(
        new Dictionary<PackPath, Drop>(),
        new HashSet<PackPath>(),
        new Dictionary<PackPath, DropVerdict>());
}
