using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The manifest names a file as front picture that is already something else.</summary>
/// <remarks>Host: blank. See docs/checks.md#pathfront-in-place.</remarks>
public sealed class FrontInPlace : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("path/front-in-place");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
        {
            if (place.ManifestField is null
                || overlay.Pack.Manifest.FindPath(place.ManifestField) is not { } path
                || !overlay.PackHas(path))
                continue;
            if (overlay.Profile.Locate(path, overlay.Pack.Edition)?.Place is not { } other) continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Blocker,
                Path = path.Value,
                Message = $"The manifest names this as {place.Noun}, but it is {other.One}: name a file outside every other place. "
                    + $"{overlay.Profile.Says(place.Unreadable)}",
                Predicts = Predict(path, place.Unreadable),
            };
        }
    }
}
