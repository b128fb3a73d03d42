using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>An entry lacks a text by which people know it, so that they see the text's key.</summary>
/// <remarks>Host: raw, at the entry and the key. See docs/checks.md#textmissing.</remarks>
public sealed class MissingText : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("text/missing");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var place in overlay.Profile.Places)
        {
            if (place.RulesOf<TextsRule>(overlay.Edition).FirstOrDefault() is not { } rule) continue;
            var texts = overlay.Profile.Place(rule.Place);
            // The base's own entries have their texts, unless the pack empties one or changes the table whose rows want them.
            var touchesBase = overlay.Rows.OfPack(texts).Values.Any(r => r.Values.GetValueOrDefault(rule.Column) is not { Length: > 0 });
            var told = new HashSet<(PackPath Owner, string Key)>();
            foreach (var wanted in overlay.Texts.WantedIn(place).TakeWhile(w => touchesBase || !w.Owner.Layer.IsBase))
                if (wanted.Find(overlay) is null && told.Add((wanted.Owner.Path, wanted.Key)))
                    yield return Describe(overlay, wanted, texts);
        }
    }

    private Finding Describe(Overlay overlay, WantedText wanted, Place texts)
    {
        var (owner, rule) = (wanted.Owner, wanted.Rule);
        var path = $"{owner.Path}#{wanted.Key}";
        var emptied = overlay.Rows.OfPack(texts).GetValueOrDefault(wanted.Key);
        var because = emptied is null
            ? $"There is no text “{wanted.Key}”."
            : $"The text “{wanted.Key}” has nothing as “{rule.Column}” ({emptied.From.Path} line {emptied.Row.Line}), "
                + "to which the other languages fall back.";
        return Report(overlay, owner, rule.Else, because) with
        {
            Path = path,
            Rule = rule,
            Pointer = wanted.Pointer,
            At = wanted.Pointer.Length > 0 ? owner.Facts.Entry!.Text.Locate(wanted.Pointer) : null,
            Predicts = [new Prediction(PredictionKind.Outcome, path, rule.Else.Code)],
            RestsOn = [.. overlay.Pack.In(texts).Where(t => overlay.FindDrop(t.Path) is not null).Select(t => t.Path)],
            Fix = WriteText.For(overlay, wanted, texts, emptied),
        };
    }
}
