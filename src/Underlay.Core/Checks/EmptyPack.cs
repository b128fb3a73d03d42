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
        if (overlay.Pack.Placements.Any(p => p.Place.Pattern is not null) || overlay.Pack.Unplaced.Any(f => overlay.Profile.FindUnjudged(f.Path) is not null)) yield break;
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
}
