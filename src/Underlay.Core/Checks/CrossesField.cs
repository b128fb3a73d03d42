using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Something crosses from one field of a sheet into the next, where the base's does not.</summary>
/// <remarks>Host: shows each field by itself, cut. Columns in pixels. See docs/checks.md#imagecrosses-field.</remarks>
public sealed class CrossesField : RuleCheck<FieldsRule>
{
    private const double FewRows = 0.06;

    /// <inheritdoc/>
    public override CheckCode Code => new("image/crosses-field");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, FieldsRule rule)
    {
        if (placement.FromBase || placement.Facts.Picture?.Header?.Size.Width != rule.Widths.Sum() || overlay.Decode(placement) is not { } mine) yield break;
        var own = overlay.OfBase(placement.Path) is { } under ? overlay.Decode(under) : null;
        var crossed = rule.Edges.Where(column => Looks.CrossingRows(mine, column).Except(own is null ? [] : Looks.CrossingRows(own, column)).Count() > mine.Size.Height * FewRows).ToList();
        if (crossed.Count > 0)
            yield return Report(overlay, placement, rule.Else, $"Something runs over the edge of a field at column {string.Join(", ", crossed)}: each field is shown by itself, so it is cut there.");
    }
}
