using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The manifest lacks a field, or has a value that the host does not take.</summary>
/// <remarks>Host: not listed, rejected. See docs/checks.md#manifestrejected.</remarks>
public sealed class RejectedManifest : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("manifest/rejected");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var manifest = overlay.Pack.Manifest;
        foreach (var fault in manifest.Faults)
        {
            var at = manifest.Text!.Locate(fault.Pointer);
            yield return ReportUnlisted(
                overlay.Profile,
                overlay.Profile.Manifest.Path,
                OwnCodes.Rejected,
                $"{fault.Says.Capitalised()} ({at}).") with
            {
                Pointer = fault.Pointer,
                Discriminator = fault.Field,
                At = at,
            };
        }
    }
}
