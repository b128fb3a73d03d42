using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A key of an entry is no code that the host knows.</summary>
/// <remarks>Host: own. See docs/checks.md#entryunknown-key.</remarks>
public sealed class UnknownKey : RuleCheck<KeysRule>
{
    /// <inheritdoc/>
    public override CheckCode Code => new("entry/unknown-key");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    protected override bool ReadsLeftOut => true;

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Overlay overlay, Placement placement, KeysRule rule)
    {
        if (placement.Layer.IsBase || placement.Facts.Entry is not { } entry) yield break;
        if (entry.Text.Find(rule.Field) is not { ValueKind: System.Text.Json.JsonValueKind.Object } holder) yield break;
        var book = overlay.Codebook(rule.Codebook);
        foreach (var member in holder.EnumerateObject().Where(m => !book.Has(m.Name)))
        {
            var pointer = $"{rule.Field}/{JsonText.Escape(member.Name)}";
            var at = entry.Text.Locate(pointer);
            // What the host shows otherwise it shows at the key.
            var path = rule.Else.Kind == ConsequenceKind.Outcome ? $"{placement.Path}#{member.Name}" : placement.Path.Value;
            var near = Slips.Nearest(book.Codes.Select(c => c.Value), member.Name);
            yield return Report(
                overlay,
                placement,
                rule.Else,
                $"“{member.Name}” is no code of the codebook “{book.Title}” in this edition "
                    + $"({at}).{(near is null ? "" : $" “{near}” is near.")}") with
            {
                Path = path,
                Pointer = pointer,
                At = at,
                Predicts = rule.Else.Kind == ConsequenceKind.Outcome
                    ? [new Prediction(PredictionKind.Outcome, path, rule.Else.Code)]
                    : [],
                Fix = near is null || entry.Text.Find($"{rule.Field}/{JsonText.Escape(near)}") is not null
                    ? null
                    : new RenameField(placement.Path, pointer, near, LeavesNoChoice: false),
            };
        }
    }
}
