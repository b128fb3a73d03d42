using Underlay.Core.Fixes;
using Underlay.Core.Hosts.Rules;
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
        yield return Report(overlay, placement, Consequence.Regret, $"It has the same bytes as {overlay.Profile.Title}’s own file: it changes nothing, and would undo that file’s next update.") with
        {
            Severity = Severity.Note,
            Fix = new TakeOut(placement.Path),
        };
    }

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var same = overlay.Pack.Placements.Where(p => overlay.Base.Find(p.Path)?.Facts.Hash == p.Facts.Hash).ToList();
        if (same.Count < 2) yield break;
        var fix = new SlimPack([.. same.Select(p => p.Path)], same.Sum(p => p.Facts.Length));
        yield return new Finding
        {
            Code = Code,
            Severity = Severity.Note,
            Path = "",
            Message = $"{same.Count} of {overlay.Pack.Placements.Count} files have the base’s own bytes: without them the pack is as good, and {Math.Max(1, fix.Bytes / 1024)} KB lighter.",
            Fix = fix,
        };
    }
}
