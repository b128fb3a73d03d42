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
        var rooms = RoomsIn(sheet);
        foreach (var line in sheet.Lines)
        {
            if (line is not { Layer.IsBase: false, Owner: { } owner } || !rooms.TryGetValue((owner.Place.Key, line.Word), out var room))
                continue;
            foreach (var (language, longest) in room)
            {
                var (text, most) = (line.In(language), longest.Below!.GetValueOrDefault(language, "").Length);
                if (text.Length <= most * Beyond) continue;
                yield return Report(
                    overlay,
                    rows[line.Key].From,
                    Consequence.Regret,
                    $"“{text}” ({line.Key}, {language}) has {text.Length} letters; "
                        + $"the longest of the base’s has {most} (“{longest.Key}”). There may be no room for it.") with
                {
                    Severity = Severity.Note,
                    Discriminator = $"{line.Key} {language}",
                    At = new TextPosition(rows[line.Key].Row.Line, 1),
                };
            }
        }
    }

    /// <summary>The base's longest text in each language, for each place and word of which it has enough.</summary>
    private static Dictionary<(string Place, string Word), List<(string Language, TextLine Longest)>> RoomsIn(TextSheet sheet) =>
        sheet.Lines
            .Where(l => l is { Below: not null, Owner: not null })
            .GroupBy(l => (l.Owner!.Place.Key, l.Word))
            .Where(g => g.Count() >= LeastToCompare)
            .ToDictionary(
                g => g.Key,
                g => sheet.Languages.Select(l => (l, g.MaxBy(line => line.Below!.GetValueOrDefault(l, "").Length)!)).ToList());
}
