using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file of the pack has the bytes that the base of another edition has at the same path.</summary>
/// <remarks>Host: shows its own old file, and undoes what changed since. See docs/checks.md#packrolled-back.</remarks>
public sealed class RolledBack : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/rolled-back");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.FromBase || overlay.Base.Find(placement.Path) is not { } now || now.Facts.Hash == placement.Facts.Hash) yield break;
        var then = overlay.OtherBases.LastOrDefault(b => b.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash);
        if (then is null) yield break;
        yield return Report(overlay, placement, Consequence.Regret, $"It has the same bytes as the file of {then.Edition.Title}: it would undo what {overlay.Edition.Title} changed here.") with { Fix = new TakeOut(placement.Path) };
    }
}
