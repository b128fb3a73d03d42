using Underlay.Core.Hosts;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A table of the pack repeats rows of the base's.</summary>
/// <remarks>Host: no difference, until its own row changes. See docs/checks.md#tablecopied-rows.</remarks>
public sealed class CopiedRows : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("table/copied-rows");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.FromBase || placement.Place.Content != PlaceContent.Table || placement.Place.Table?.Merge is null || placement.Facts.Table is not { Problem: null } table) yield break;
        if (overlay.Base.Find(placement.Path) is not { Facts.Table: { } own } under || under.Facts.Hash == placement.Facts.Hash) yield break;
        var rows = own.Rows.ToDictionary(r => r.Key, r => r.Values, StringComparer.Ordinal);
        var copied = table.Rows.Where(r => r.Deed != BaseFiles.RowDeed.Remove && rows.GetValueOrDefault(r.Key) == r.Values).Select(r => r.Key).ToList();
        if (copied.Count == 0) yield break;
        yield return Report(overlay, placement, Hosts.Rules.Consequence.Regret, $"{copied.Count} of its rows {(copied.Count == 1 ? "is" : "are")} the base’s own ({string.Join(", ", copied.Take(5))}{(copied.Count > 5 ? ", …" : "")}); with a column “{placement.Place.Table!.Merge}” the pack needs its own rows only.") with { Severity = Severity.Note };
    }
}
