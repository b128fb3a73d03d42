using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The pack holds nothing that the host reads: a package of it would be empty.</summary>
/// <remarks>Host: lists it and shows nothing of it. Underlay does not build it. See docs/checks.md#packempty.</remarks>
public sealed class EmptyPack : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/empty");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (!IsEmptyWithout(overlay, new HashSet<string>())) yield break;
        yield return new Finding
        {
            Code = Code,
            Severity = Severity.Blocker,
            Path = "",
            IsOnlyAlone = true,
            Message = overlay.Pack.Unplaced.Count == 0
                ? $"There is nothing in the pack yet that {overlay.Profile.Title} reads."
                : $"{overlay.Profile.Title} reads none of the pack’s files where they are: a package of it would be empty.",
        };
    }

    /// <summary>True where the host would read nothing of the pack if these files were not in it.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="without">Paths of files.</param>
    internal static bool IsEmptyWithout(Overlay overlay, IReadOnlySet<string> without) =>
        !overlay.Pack.Placements.Any(p => p.Place.Pattern is not null && !without.Contains(p.Path.Value))
        && !overlay.Pack.Unplaced.Any(f => overlay.Profile.FindUnjudged(f.Path) is not null && !without.Contains(f.Path.Value));
}
