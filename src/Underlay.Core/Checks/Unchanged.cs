using Underlay.Core.Fixes;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file of the pack has the bytes that the base has at the same path.</summary>
/// <remarks>Host: no difference, until its own file changes. See docs/checks.md#packunchanged.</remarks>
public sealed class Unchanged : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/unchanged");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.FromBase || overlay.Base.Find(placement.Path)?.Facts.Hash != placement.Facts.Hash) yield break;
        yield return new Finding
        {
            Code = Code,
            Severity = Severity.Note,
            Path = placement.Path.Value,
            Message = $"It has the same bytes as {overlay.Profile.Title}’s own file: it changes nothing, and would undo that file’s next update.",
            Saw = new Dictionary<PackPath, ContentHash> { [placement.Path] = placement.Facts.Hash },
            Fix = new TakeOut(placement.Path),
        };
    }
}
