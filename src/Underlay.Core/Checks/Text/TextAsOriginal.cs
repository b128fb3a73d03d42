using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Core.Texts;

namespace Underlay.Core.Checks;

/// <summary>A new text still says, in some language, what a text of the base says of something else: what it was made like.</summary>
/// <remarks>Host: shows it. See docs/checks.md#textas-original.</remarks>
public sealed class TextAsOriginal : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("text/as-original");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (TextSheet.Of(overlay) is not { HasOwn: true } sheet) yield break;
        var rows = overlay.Rows.OfPack(sheet.Place);
        foreach (var line in sheet.Lines.Where(l => l is { Owner: not null, Originals.Count: > 0 }))
        {
            var (language, original) = line.Originals.First();
            // A text that says the same in all that it says is told of once, by what it says where another language has nothing.
            var told = line.Originals.ContainsKey(sheet.Fallback)
                ? $"“{line.In(sheet.Fallback)}”, as “{line.Originals[sheet.Fallback]}” does"
                : $"“{line.In(language)}” in {string.Join(" and ", line.Originals.Keys)}, as “{original}” does";
            yield return Report(overlay, rows[line.Key].From, Consequence.Regret, $"The text “{line.Key}” still says {told}.") with
            {
                Discriminator = line.Key,
                At = new TextPosition(rows[line.Key].Row.Line, 1),
            };
        }
    }
}
