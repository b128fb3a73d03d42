using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// Something crosses from one field of a sheet into the next, where the base's does not; or an edge lies beside its field's.
/// </summary>
/// <remarks>Host: shows each field by itself, cut. Columns in pixels. See docs/checks.md#imagecrosses-field.</remarks>
public sealed class CrossesField : RuleCheck<FieldsRule>
{
    private const double FewRows = 0.06;
    private const int FewestOfPattern = 3;
    private const double Alike = 0.6;

    /// <inheritdoc/>
    public override CheckCode Code => new("image/crosses-field");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, FieldsRule rule)
    {
        if (placement.Layer.IsBase
            || placement.Facts.Picture?.Header?.Size.Width != rule.Widths.Sum()
            || overlay.Base.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash
            || overlay.Decode(placement) is not { } mine)
            yield break;
        var model = FindModel(overlay, placement);
        var crossed = rule.Edges.Where(column => Crosses(mine, model, column)).ToList();
        if (crossed.Count > 0 && !IsPattern(mine, rule, crossed))
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"Something runs over the edge of a field at column {string.Join(", ", crossed)}: each field is shown by itself, so it "
                    + $"is cut there.") with
            { Discriminator = "crosses" };
        var beside = rule.Edges.Select(column => (Column: column, Shift: Shift(mine, model, column))).Where(e => e.Shift != 0).ToList();
        if (beside.Count > 0)
        {
            var says = string.Join("; ", beside.Select(e => $"your edge lies at {e.Column + e.Shift}, the field’s at {e.Column}"));
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"{says.Capitalised()}: a strip of one field would show in the next.") with
            { Discriminator = "beside" };
        }
    }

    /// <summary>The base's sheet: the one that is replaced, else the first of its place.</summary>
    private static RgbaPicture? FindModel(Overlay overlay, Placement placement) =>
        (overlay.OfBase(placement.Path) ?? overlay.Base.In(placement.Place).Select(f => overlay.OfBase(f.Path)).FirstOrDefault()) is { } own
            ? overlay.Decode(own)
            : null;

    private static bool Crosses(RgbaPicture mine, RgbaPicture? model, int column) =>
        Looks.CrossingRows(mine, column)
            .Except(model is null ? [] : Looks.CrossingRows(model, column))
            .Count() > mine.Size.Height * FewRows;

    /// <summary>
    /// True where fields that are made alike meet at every edge in the same rows, and each is whole: inside the fields there is something
    /// else. A ribbon over all of them is not broken inside.
    /// </summary>
    private static bool IsPattern(RgbaPicture mine, FieldsRule rule, List<int> crossed)
    {
        if (crossed.Count < rule.Widths.Count - 1 || crossed.Count < FewestOfPattern) return false;
        var rows = crossed.ConvertAll(column => Looks.CrossingRows(mine, column));
        var common = rows[0].Where(y => rows.TrueForAll(r => r.Contains(y))).ToList();
        return common.Count > rows.SelectMany(r => r).Distinct().Count() * Alike && common.Count(IsBroken) > common.Count * Alike;

        bool IsBroken(int y) => crossed.Zip(crossed.Skip(1)).All(
            field => Looks.Differ(mine, y, field.First, (field.First + field.Second) / 2));
    }

    private static int Shift(RgbaPicture mine, RgbaPicture? model, int column) =>
        SheetEdges.Shift(
            SheetEdges.Beside(mine, column),
            model is null || model.Size != mine.Size ? new HashSet<int>() : SheetEdges.Beside(model, column));
}
