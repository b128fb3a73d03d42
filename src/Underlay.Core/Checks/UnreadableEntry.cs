using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry that is no JSON as hosts read it.</summary>
/// <remarks>Host: dropped, unreadable. See docs/checks.md#entryunreadable.</remarks>
public sealed class UnreadableEntry : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unreadable");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop)
    {
        if (drop.Placement.Facts.Entry?.Text.Problem is { } problem)
            yield return Report(overlay, drop, $"The text cannot be read: {problem.Says} ({problem.At}).") with { At = problem.At };
    }
}
