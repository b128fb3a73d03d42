using System.Globalization;
using System.Text;
using System.Text.Json;
using Underlay.Core.Entries;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>A file of the tray and the part of a new thing that it becomes.</summary>
/// <param name="From">The file.</param>
/// <param name="Part">The place in which it goes.</param>
public sealed record WantedPart(PackPath From, Place Part);

/// <summary>Begins a thing that neither base nor pack has: its entry, and pictures of the tray as its parts.</summary>
public static class NewThings
{
    /// <summary>What is to be done, all of it or nothing.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="owner">The place of the thing's entry.</param>
    /// <param name="name">Its name, as it will stand in paths.</param>
    /// <param name="wanted">Its pictures.</param>
    public static EntryPlan Begin(Overlay overlay, Place owner, string name, IReadOnlyList<WantedPart> wanted)
    {
        var entry = EntryMake.Plan(overlay, owner, name);
        if (entry.Problem is not null) return entry;
        var draft = new PlanDraft(overlay.Pack.Tree);
        foreach (var line in entry.Lines) draft.Tell(line.Path, line.Says);
        draft.Add(entry.Edits);
        foreach (var (from, part) in wanted)
        {
            if (part.Pattern!.Fill(Bindings.Of([(part.Pattern.Placeholders[0], name)])) is not { } to)
                return EntryPlan.Refused(entry.Path, $"“{name}” is no name for {part.One}.");
            var placed = Placing.Place(overlay.Profile, overlay.Edition, draft.Tree, from, to);
            if (placed.Problem is { } problem) return EntryPlan.Refused(entry.Path, $"{from.FileName} cannot be {part.One}: {problem}");
            draft.Tell(to, $"{part.One}, of {from.FileName}");
            draft.Add(placed.Edits);
            Enable(draft, overlay, entry.Path, owner, part);
        }

        return draft.Done(entry.Path);
    }

    /// <summary>What the entry has to say for the host to use a part: that it glows, say, as strongly as others do.</summary>
    private static void Enable(PlanDraft draft, Overlay overlay, PackPath entry, Place owner, Place part)
    {
        foreach (var rule in part.RulesOf<EnabledByRule>(overlay.Edition))
        {
            var text = JsonText.Parse(draft.Tree.Find(entry)!.ReadAll());
            if (text.Find(rule.Field) is { ValueKind: JsonValueKind.Number } set && set.GetDouble() > rule.Above) continue;
            var strength = UsualValues.Above(overlay, owner, rule.Field, rule.Above);
            draft.Add(
                entry,
                FormattableString.Invariant($"{FieldName.Quote(rule.Field)} becomes {strength}, so that {part.One} is seen"),
                new TreeEdit.Write(entry, JsonEdit.Set(text, rule.Field, Json(strength))));
        }
    }

    private static byte[] Json(double number) => Encoding.ASCII.GetBytes(number.ToString(CultureInfo.InvariantCulture));
}
