using System.Text.Json;
using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A number of an entry lies far from those of the base's entries of its kind.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#entryunusual-number.</remarks>
public sealed class UnusualNumber : Check
{
    // Of fewer nothing is usual.
    private const int LeastToCompare = 6;

    // A third of the least is as far off as three times the most.
    private const double FarBelow = 3;

    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unusual-number");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement) => Find(overlay, placement);

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Drop drop) => Find(overlay, drop.Placement);

    private IEnumerable<Finding> Find(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Place.Content != PlaceContent.Entry) yield break;
        if (placement.Facts.Entry is not { Unreadable: null, Text: var text } facts) yield break;
        foreach (var (pointer, number) in NumbersOf("", text.Root))
        {
            // What is refused is told by that.
            if (facts.Faults.Any(f => f.Pointer == pointer)) continue;
            var beside = overlay.Base.LinksOf(placement.Place).NumbersAt(pointer);
            if (beside.Count < LeastToCompare) continue;
            var (least, most) = (beside[0], beside[^1]);
            var isHigh = number > most + (most - least);
            var isLow = number < least - (most - least) || (least > 0 && number < least / FarBelow);
            if (least == most || !(isHigh || isLow)) continue;
            var at = text.Locate(pointer);
            yield return Report(
                overlay,
                placement,
                Consequence.Regret,
                FormattableString.Invariant($"{FieldName.Quote(pointer).Capitalised()} is {number}, far {(isHigh ? "above" : "below")} ")
                    + FormattableString.Invariant($"the {beside.Count} of the base, ")
                    + FormattableString.Invariant($"which lie between {least} and {most} ({at}).")) with
            {
                Severity = Severity.Note,
                Pointer = pointer,
                At = at,
            };
        }
    }

    /// <summary>The numbers in fields and fields of fields; those in lists stand for no one thing.</summary>
    private static IEnumerable<(string Pointer, double Number)> NumbersOf(string pointer, JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.Number => [(pointer, value.GetDouble())],
        JsonValueKind.Object => value.EnumerateObject().SelectMany(f => NumbersOf($"{pointer}/{JsonText.Escape(f.Name)}", f.Value)),
        _ => [],
    };
}
