using System.Globalization;
using System.Text.Json;
using Underlay.Core.Codebooks;
using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An object has a parameter that its type does not have, or one that is no number or outside its range.</summary>
/// <remarks>Host: passes over it, or takes the nearest of the range. See docs/checks.md#entryunfit-parameter.</remarks>
public sealed class UnfitParameter : RuleCheck<ParametersRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unfit-parameter");

    /// <inheritdoc/>
    protected override bool ReadsLeftOut => true;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, ParametersRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Entry is not { Unreadable: null, Text: var entry }) yield break;
        var book = overlay.Codebook(rule.Codebook);
        var byType = Parameter.By(rule, book);
        foreach (var (pointer, value) in entry.FindAll(rule.Field))
        {
            // A type that does not exist is told where it is named.
            if (entry.FindString($"{pointer}/{rule.By}") is not { } type || !byType.Contains(type)) continue;
            foreach (var field in value.EnumerateObject().Where(f => f.Name != rule.By))
            {
                var at = $"{pointer}/{JsonText.Escape(field.Name)}";
                if (Judge(placement, value, field, at, type, byType[type]) is not var (says, fix)) continue;
                yield return Report(overlay, placement, rule.Else, $"{says} ({entry.Locate(at)}).") with
                {
                    Pointer = at,
                    At = entry.Locate(at),
                    Fix = fix,
                };
            }
        }
    }

    private static (string Says, Fix? Fix)? Judge(
        Placement placement,
        JsonElement holder,
        JsonProperty field,
        string at,
        string type,
        IEnumerable<Parameter> known)
    {
        var name = FieldName.Quote($"/{JsonText.Escape(field.Name)}");
        if (known.FirstOrDefault(p => p.Name == field.Name) is not { } parameter)
        {
            var free = known.Select(p => p.Name).Where(n => !holder.TryGetProperty(n, out _));
            return (
                $"{name} is no parameter of “{type}”, which has {string.Join(", ", known.Select(p => p.Name))}",
                Slips.Nearest(free, field.Name) is { } meant ? new RenameField(placement.Path, at, meant, LeavesNoChoice: false) : null);
        }

        var number = Number(field.Value);
        if (field.Value.ValueKind == JsonValueKind.Number && parameter.Allows(number!.Value)) return null;
        return (
            $"{name} is {FaultWords.Show(field.Value)}; wanted is {parameter.RangeWords()}",
            number is { } near ? SetField.To(placement.Path, at, parameter.Nearest(near), leavesNoChoice: parameter.Allows(near)) : null);
    }

    /// <summary>A number, or a text that says one.</summary>
    private static double? Number(JsonElement value) => value.ValueKind switch
    {
        JsonValueKind.Number => value.GetDouble(),
        JsonValueKind.String
            when double.TryParse(value.GetString(), NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
                && double.IsFinite(number) => number,
        _ => null,
    };
}
