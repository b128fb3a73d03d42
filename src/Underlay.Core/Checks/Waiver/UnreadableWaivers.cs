using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>The author's waivers cannot be read, so none of them holds.</summary>
/// <remarks>Host: does not read them. See docs/checks.md#waiverunreadable.</remarks>
public sealed class UnreadableWaivers : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("waiver/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (Waivers.Read(overlay.Pack.Tree).Problem is { } problem)
        {
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Warning,
                Path = ReservedFolder.Waivers.Value,
                Message = $"Your waivers cannot be read, so none of them holds: {problem}.",
            };
        }
    }
}
