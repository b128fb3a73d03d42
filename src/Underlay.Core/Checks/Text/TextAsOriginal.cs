using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Core.Texts;

namespace Underlay.Core.Checks;

/// <summary>A new text of the pack still says what a text of the base says of something else: what it was made like.</summary>
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
        foreach (var line in sheet.Lines.Where(l => l is { Original: not null, Owner: not null }))
            yield return Report(
                overlay,
                rows[line.Key].From,
                Consequence.Regret,
                $"The text “{line.Key}” still says “{line.In(sheet.Fallback)}”, as “{line.Original}” does.") with
            {
                Discriminator = line.Key,
                At = new TextPosition(rows[line.Key].Row.Line, 1),
            };
    }
}
