using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Formats;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Stacks;
using Underlay.Core.Texts;

namespace Underlay.Core.Checks;

/// <summary>A text of the pack is a tenth longer than the longest that the base has of its kind in that language.</summary>
/// <remarks>Host: there may be no room for it. See docs/checks.md#textlong.</remarks>
public sealed class LongText : Check
{
    // Of fewer the longest says nothing about the room that there is.
    private const int LeastToCompare = 8;

    // A letter or two more still fit as a rule.
    private const double Beyond = 1.1;

    /// <inheritdoc/>
    public override CheckCode Code => new("text/long");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (TextSheet.Of(overlay) is not { HasOwn: true } sheet) yield break;
        var rows = overlay.Rows.OfPack(sheet.Place);
        foreach (var language in sheet.Languages)
        {
            var longest = sheet.Lines
                .Where(l => l is { Below: not null, Owner: not null })
                .GroupBy(l => (l.Owner!.Place.Key, l.Word))
                .Where(g => g.Count() >= LeastToCompare)
                .ToDictionary(g => g.Key, g => g.MaxBy(l => l.Below!.GetValueOrDefault(language, "").Length)!);
            foreach (var line in sheet.Lines.Where(l => l is { Layer.IsBase: false, Owner: not null }))
            {
                if (!longest.TryGetValue((line.Owner!.Place.Key, line.Word), out var other)) continue;
                var most = other.Below!.GetValueOrDefault(language, "").Length;
                if (line.In(language).Length <= most * Beyond) continue;
                yield return Report(
                    overlay,
                    rows[line.Key].From,
                    Consequence.Regret,
                    $"“{line.In(language)}” ({line.Key}, {language}) has {line.In(language).Length} letters; "
                        + $"the longest of the base’s has {most} (“{other.Key}”). There may be no room for it.") with
                {
                    Severity = Severity.Note,
                    Discriminator = $"{line.Key} {language}",
                    At = new TextPosition(rows[line.Key].Row.Line, 1),
                };
            }
        }
    }
}
