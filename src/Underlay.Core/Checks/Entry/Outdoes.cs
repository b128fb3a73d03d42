using System.Globalization;
using System.Text.Json;
using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry of the pack is no worse than one of the base in anything that counts, and better in something.</summary>
/// <remarks>Host: does not mind; nobody has a reason to take the base's any more. See docs/checks.md#entryoutdoes.</remarks>
public sealed class Outdoes : Check
{
    // Of less, one is always better.
    private const int LeastToCompare = 2;

    /// <inheritdoc/>
    public override CheckCode Code => new("entry/outdoes");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.File;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Place.Kind is not { Merits.Count: >= LeastToCompare } kind) return [];
        if (placement.Facts.Entry is not { IsAccepted: true, Text: var text }) return [];
        // What the base says itself is not the author's doing.
        if (overlay.Base.Find(placement.Path)?.Facts.Hash == placement.Facts.Hash) return [];
        var mine = NumbersOf(overlay, placement, kind);
        var outdone = overlay.ShownIn(placement.Place)
            .Where(other => other.Layer.IsBase && other.Path != placement.Path)
            .Where(other => IsOutdone(kind, mine, NumbersOf(overlay, other, kind)))
            .OrderBy(other => other.Path)
            .ToList();
        if (outdone.Count == 0) return [];
        var pointer = kind.Merits[0].Pointer;
        return
        [
            Report(overlay, placement, Consequence.Regret, Says(overlay, placement, kind, outdone)) with
            {
                Severity = Severity.Note,
                Pointer = pointer,
                At = text.Locate(pointer),
            },
        ];
    }

    private static string Says(Overlay overlay, Placement placement, Kind kind, List<Placement> outdone)
    {
        var (mine, first) = (NumbersOf(overlay, placement, kind), NumbersOf(overlay, outdone[0], kind));
        var values = kind.Merits.Zip(mine, first)
            .Where(v => v.Second is not null && v.Third is not null)
            .Select(v => string.Create(CultureInfo.InvariantCulture, $"{FieldName.Words(v.First.Pointer)} {v.Second} for {v.Third}"));
        var more = outdone.Count > 1 ? $" and {outdone.Count - 1} more of the base" : "";
        return $"In nothing that counts is it worse than {outdone[0].Path}{more}, and better in something ({string.Join(", ", values)}): "
            + "nobody has a reason to take the base’s.";
    }

    /// <summary>The numbers that count, own or taken over; null where there is none.</summary>
    private static List<double?> NumbersOf(Overlay overlay, Placement entry, Kind kind) =>
    [
        .. kind.Merits.Select(
            m => overlay.Value(entry, m.Pointer) is { ValueKind: JsonValueKind.Number } value ? value.GetDouble() : (double?)null),
    ];

    private static bool IsOutdone(Kind kind, List<double?> mine, List<double?> others)
    {
        var (compared, isBetter) = (0, false);
        for (var i = 0; i < mine.Count; i++)
        {
            // What one has and the other has not cannot be weighed up.
            if (mine[i].HasValue != others[i].HasValue) return false;
            if (mine[i] is not { } own || others[i] is not { } other) continue;
            if (kind.Merits[i].IsMore ? own < other : own > other) return false;
            compared++;
            isBetter |= own != other;
        }

        return compared >= LeastToCompare && isBetter;
    }
}
