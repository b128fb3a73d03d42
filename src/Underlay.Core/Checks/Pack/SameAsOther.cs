using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A file of the pack has the bytes that the base has somewhere else.</summary>
/// <remarks>Host: shows the same thing twice. See docs/checks.md#packsame-as-other.</remarks>
public sealed class SameAsOther : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/same-as-other");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        // Entries are short, and often the same for good reasons.
        if (placement.Layer.IsBase
            || placement.Facts.Picture is null
            || overlay.Base.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash)
            yield break;
        var other = overlay.Base.WithHash(placement.Facts.Hash).FirstOrDefault(f => f.Path != placement.Path);
        if (other is null) yield break;
        yield return Report(
            overlay,
            placement,
            Consequence.Regret,
            $"It has the same bytes as {overlay.Profile.Title}’s own {other.Path}: the same picture in two places.") with
        { Severity = Severity.Note };
    }
}
