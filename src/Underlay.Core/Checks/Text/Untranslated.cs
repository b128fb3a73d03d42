using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>Texts of the pack are in some languages only; in the others another language is shown.</summary>
/// <remarks>Host: falls back. See docs/checks.md#textuntranslated.</remarks>
public sealed class Untranslated : Check
{
    private const int MostNamed = 4;

    /// <inheritdoc/>
    public override CheckCode Code => new("text/untranslated");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement)
    {
        if (placement.Layer.IsBase || placement.Place.Table is not { } shape || placement.Facts.Table is not { Problem: null } table)
            yield break;
        var fallsBack = overlay.Profile.Places
            .SelectMany(p => p.RulesOf<TextsRule>(overlay.Edition))
            .FirstOrDefault(r => r.Place == placement.Place.Key)?.Column;
        if (fallsBack is null) yield break;
        foreach (var column in shape.Columns.Select(c => c.Name).Where(c => c != fallsBack))
        {
            var at = table.Columns.ToList().IndexOf(column);
            var empty = table.Rows.Where(r => r.Values[at].Length == 0).Select(r => r.Key).ToList();
            if (empty.Count == 0) continue;
            yield return Report(
                overlay,
                placement,
                Consequence.Regret,
                $"{empty.Count} of {table.Rows.Count} texts have nothing as “{column}”, where “{fallsBack}” is shown instead: "
                    + string.Join(", ", empty.Take(MostNamed)) + (empty.Count > MostNamed ? ", …." : ".")) with
            {
                Severity = Severity.Note,
                Discriminator = column,
            };
        }
    }
}
