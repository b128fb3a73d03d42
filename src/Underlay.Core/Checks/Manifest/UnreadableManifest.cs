using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The manifest is no JSON as hosts read it.</summary>
/// <remarks>Host: not listed, unreadable. See docs/checks.md#manifestunreadable.</remarks>
public sealed class UnreadableManifest : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("manifest/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (overlay.Pack.Manifest.Text?.Problem is { } problem)
        {
            yield return ReportUnlisted(
                overlay.Profile,
                overlay.Profile.Manifest.Path,
                OwnCodes.Unreadable,
                $"The manifest cannot be read: {problem.Says} ({problem.At}).") with
            {
                At = problem.At,
            };
        }
    }
}
