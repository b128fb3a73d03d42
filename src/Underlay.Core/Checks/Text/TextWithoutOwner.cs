using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A text of the pack is for an entry that nothing in the stack is.</summary>
/// <remarks>Host: never shows it. See docs/checks.md#textno-owner.</remarks>
public sealed class TextWithoutOwner : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("text/no-owner");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        var wanting = overlay.Profile.Places.Where(p => p.RulesOf<TextsRule>(overlay.Edition).Any()).ToLookup(
            p => p.RulesOf<TextsRule>(overlay.Edition).First().Place,
            StringComparer.Ordinal);
        foreach (var group in wanting)
        {
            var texts = overlay.Profile.Place(group.Key);
            var mine = overlay.Rows.OfPack(texts);
            if (mine.Count == 0) continue;
            var wanted = group.SelectMany(overlay.Texts.WantedIn).Select(w => w.Key).ToHashSet(StringComparer.Ordinal);
            // What is left out will want its texts again once it is mended.
            var leftOut = group.SelectMany(overlay.Pack.In)
                .Where(p => overlay.FindDrop(p.Path) is not null)
                .SelectMany(
                    p =>
                        WantedText.Of(overlay, p)
                            .Select(w => w.Id)
                            .Append(p.Place.Pattern!.Placeholders is [var name] ? p.Bindings.Find(name)! : ""))
                .ToHashSet();
            bool IsLeftOut(string key) =>
                key.LastIndexOf('/') is var end and > 0 && (leftOut.Contains(key[..end]) || leftOut.Contains(Id.NameIn(key[..end])));
            var lacking = wanted.Where(w => !mine.ContainsKey(w)).ToList();
            foreach (var (key, row) in mine.Where(r => !wanted.Contains(r.Key) && !IsLeftOut(r.Key)))
            {
                var near = Slips.Nearest(lacking, key);
                yield return Report(
                    overlay,
                    row.From,
                    Consequence.Regret,
                    $"The text “{key}” (line {row.Row.Line}) is for nothing in this edition."
                        + (near is null ? "" : $" “{near}” is near.")) with
                {
                    Discriminator = key,
                    At = new TextPosition(row.Row.Line, 1),
                    Fix = near is null ? null : new SetRowKey(row.From.Path, texts.Table!.Key, key, near),
                };
            }
        }
    }
}
