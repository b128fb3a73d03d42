using System.Text.Json;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>For what an entry claims it lacks a row that is required, in some state.</summary>
/// <remarks>Host: silent, at the entry and the code. See docs/checks.md#entrynot-covered.</remarks>
public sealed class NotCovered : RuleCheck<CoversRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/not-covered");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, CoversRule rule)
    {
        if (placement.Facts.Entry is not { IsAccepted: true, Text: var entry }) yield break;
        var claims = entry.FindAll($"{rule.Field}/*").Select(c => c.Value.GetString()!).ToHashSet(StringComparer.Ordinal);
        var covered = entry.FindAll($"{rule.Rows}/*")
            .Where(r => r.Value.GetProperty(rule.Lists).GetArrayLength() > 0)
            .Select(r => (Code: Text(r.Value, rule.Code), State: Text(r.Value, rule.When)))
            .ToHashSet();
        foreach (var code in overlay.Codebook(rule.Codebook).Codes)
        {
            if (!claims.Contains(code.In(rule.Group)) || code.In(rule.Required.Column) != rule.Required.Value) continue;
            if (covered.Contains((code.Value, rule.Any))) continue;
            var lacking = rule.States.Where(s => !covered.Contains((code.Value, s))).ToList();
            if (lacking.Count == 0) continue;
            var path = $"{placement.Path}#{code.Value}";
            var name = code.Name.Length > 0 ? $"“{code.Value}” ({code.Name})" : $"“{code.Value}”";
            var where = lacking.Count == rule.States.Count ? "at all" : $"for {string.Join(" and ", lacking)}";
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"“{code.In(rule.Group)}” requires {name}, and it has no {rule.Lists} {where}.") with
            {
                Path = path,
                Pointer = rule.Rows,
                Discriminator = code.Value,
                At = entry.Locate(rule.Rows),
                Predicts = [new Prediction(PredictionKind.Outcome, path, rule.Else.Code)],
            };
        }
    }

    private static string Text(JsonElement row, string field) => row.GetProperty(field).GetString()!;
}
