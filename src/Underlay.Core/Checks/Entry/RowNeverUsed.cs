using System.Text.Json;
using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A row of a list of which the host uses the first that fits can never be the one.</summary>
/// <remarks>Host: passes over it. See docs/checks.md#entryrow-never-used.</remarks>
public sealed class RowNeverUsed : RuleCheck<FirstFitsRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/row-never-used");

    /// <inheritdoc/>
    protected override bool ReadsLeftOut => true;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, FirstFitsRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Entry is not { Unreadable: null, Text: var entry } facts) yield break;
        var before = new List<Row>();
        foreach (var (pointer, value) in entry.FindAll($"{rule.Rows}/*"))
        {
            // What a row that is refused was to say nobody knows.
            if (facts.Faults.Any(f => f.Pointer == pointer || f.Pointer.StartsWith(pointer + "/", StringComparison.Ordinal))) continue;
            var row = Row.Of(value, rule);
            var why = row.From > row.To
                ? FormattableString.Invariant($"it begins at {row.From} and ends at {row.To}")
                : rule.States
                    .Where(s => row.State == rule.Any || row.State == s)
                    .All(s => IsCovered(row, [.. before.Where(b => b.FitsIn(s, row, rule.Any))]))
                ? "rows before it fit wherever it does"
                : null;
            before.Add(row);
            if (why is null) continue;
            var at = entry.Locate(pointer);
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"{FieldName.Quote(pointer).Capitalised()} is never used: {why} ({at}).") with
            {
                Pointer = pointer,
                At = at,
            };
        }
    }

    /// <summary>True where spans together hold the whole of a row's.</summary>
    private static bool IsCovered(Row row, List<Row> spans)
    {
        var reached = row.From;
        foreach (var span in spans.OrderBy(s => s.From))
        {
            if (span.From > reached) return false;
            if (span.To >= row.To) return true;
            reached = Math.Max(reached, span.To);
        }

        return false;
    }

    private sealed record Row(double From, double To, string State, double Least)
    {
        public static Row Of(JsonElement row, FirstFitsRule rule) => new(
            row.GetProperty(rule.From).GetDouble(),
            row.GetProperty(rule.To).GetDouble(),
            row.GetProperty(rule.State).GetString()!,
            row.TryGetProperty(rule.Least, out var least) ? least.GetDouble() : 0);

        /// <summary>True where this row fits in a state whenever another's needs are met.</summary>
        public bool FitsIn(string state, Row other, string any) => (State == any || State == state) && Least <= other.Least && From <= To;
    }
}
