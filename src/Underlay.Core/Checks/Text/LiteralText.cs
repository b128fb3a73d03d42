using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry says in itself what a text would say in each language.</summary>
/// <remarks>Host: shows it alike in every language. See docs/checks.md#textliteral.</remarks>
public sealed class LiteralText : RuleCheck<TextsRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("text/literal");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, TextsRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Entry is not { } entry) yield break;
        foreach (var (word, field) in rule.Instead)
            if (entry.Text.Find(field) is { } value)
                yield return Report(
                    overlay,
                    placement,
                    Consequence.Regret,
                    $"{FieldName.Quote(field)} is {FaultWords.Show(value)} in every language. Without it the text "
                        + $"“{placement.Field(rule.Field ?? "")}/{word}” is shown, in each its own.") with
                {
                    Pointer = field,
                    At = entry.Text.Locate(field),
                };
    }
}
