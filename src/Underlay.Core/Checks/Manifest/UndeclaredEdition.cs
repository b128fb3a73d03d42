using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The pack does not declare the edition that it is checked for.</summary>
/// <remarks>Host: not listed, closed. See docs/checks.md#manifestedition.</remarks>
public sealed class UndeclaredEdition : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("manifest/edition");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var manifest = overlay.Pack.Manifest;
        if (!manifest.IsSound || manifest.Declares(overlay.Pack.Edition)) yield break;
        var field = manifest.To is { } to && overlay.Pack.Edition.Order > to.Order
            ? overlay.Profile.Manifest.ToField
            : overlay.Profile.Manifest.FromField;
        yield return ReportUnlisted(
            overlay.Profile,
            overlay.Profile.Manifest.Path,
            OwnCodes.Closed,
            $"The pack says that it is for {manifest.Declared}; this is {overlay.Pack.Edition}.") with
        {
            Pointer = field,
            At = manifest.Text!.Locate(field),
        };
    }
}
