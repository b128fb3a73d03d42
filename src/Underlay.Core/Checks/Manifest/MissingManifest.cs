using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The pack has no manifest at its root.</summary>
/// <remarks>Host: not listed, missing. See docs/checks.md#manifestmissing.</remarks>
public sealed class MissingManifest : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("manifest/missing");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (overlay.Pack.Manifest.Text is not null) yield break;
        var path = overlay.Profile.Manifest.Path;
        yield return ReportUnlisted(overlay.Profile, path, OwnCodes.Missing, $"There is no {path} at the root of the pack.") with
        {
            Fix = new WriteManifest(path),
            RestsOn = [path],
        };
    }
}
