using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry lacks a field, or has a value that its kind does not take.</summary>
/// <remarks>Host: dropped, rejected. See docs/checks.md#entryrejected.</remarks>
public sealed class RejectedEntry : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/rejected");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Rule is not null || drop.Placement.Facts.Entry is not { Text.Problem: null } entry) yield break;
        foreach (var fault in entry.Faults)
        {
            var at = entry.Text.Locate(fault.Pointer);
            yield return Report(overlay, drop, $"{fault.Says.Capitalised()} ({at}).") with
            {
                Pointer = fault.Pointer,
                Discriminator = fault.Field,
                At = at,
            };
        }
    }
}
