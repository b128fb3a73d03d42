using System.Text;
using System.Text.Json;
using Underlay.Core.Entries;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Mending;

/// <summary>
/// Gives an entry fields of another of its kind, with the pictures that these fields want and that the entry lacks: copies of the
/// other's, marked as still to be made.
/// </summary>
public static class FieldCopy
{
    /// <summary>What is to be done.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="context">What fixes are told.</param>
    /// <param name="path">The entry.</param>
    /// <param name="from">The other.</param>
    /// <param name="pointers">Pointers to the fields; what the other lacks is taken away.</param>
    public static EntryPlan Plan(Overlay overlay, FixContext context, PackPath path, PackPath from, IReadOnlyCollection<string> pointers)
    {
        if (Readable(overlay, path) is not { } entry) return EntryPlan.Refused(path, $"{path} has to be mended first.");
        if (Readable(overlay, from) is not { } other || other.Place != entry.Place)
            return EntryPlan.Refused(path, $"{from} is no entry of the same kind that can be read.");
        if (pointers.FirstOrDefault(p => !MayBeTaken(overlay, entry, p)) is { } refused)
            return EntryPlan.Refused(path, $"{FieldName.Quote(refused)} is nothing that {path} can take from another.");
        var draft = new PlanDraft(overlay.Pack.Tree);
        foreach (var pointer in pointers) Take(draft, overlay, entry, other, pointer);
        foreach (var rule in entry.Place.RulesOf<RequiresRule>(overlay.Edition).Where(r => Starts(overlay, r, other, pointers)))
            if (overlay.FirstShown(rule.Places, entry.Bindings) is null
                && BorrowPicture.FromOther(overlay, entry, other, rule) is { } borrowed)
                draft.Add(borrowed.Path, $"a copy of {borrowed.From}, until yours comes", borrowed.Edit(draft.Tree, context));
        return draft.Done(path);
    }

    private static Placement? Readable(Overlay overlay, PackPath path)
    {
        var entry = overlay.OfPack(path) ?? overlay.OfBase(path);
        return entry?.Facts.Entry?.Text is { Problem: null, Root.ValueKind: JsonValueKind.Object } ? entry : null;
    }

    /// <summary>What is each entry's own is not taken, nor what would stand in something that holds no fields.</summary>
    private static bool MayBeTaken(Overlay overlay, Placement entry, string pointer)
    {
        if (!pointer.StartsWith('/') || pointer == entry.Place.Id) return false;
        if (entry.Place.RulesOf<UniqueRule>(overlay.Edition).Any(r => r.Field == pointer)) return false;
        for (var end = pointer.LastIndexOf('/'); end > 0; end = pointer.LastIndexOf('/', end - 1))
            if (entry.Facts.Entry!.Text.Find(pointer[..end]) is { ValueKind: not JsonValueKind.Object }) return false;
        return true;
    }

    /// <summary>Whether the entry wants a file only because of a field that it takes.</summary>
    private static bool Starts(Overlay overlay, RequiresRule rule, Placement other, IReadOnlyCollection<string> taken) =>
        rule.When is { } field && taken.Contains(field) && overlay.Wants(rule, other);

    private static void Take(PlanDraft draft, Overlay overlay, Placement entry, Placement other, string pointer)
    {
        var text = draft.Tree.Find(entry.Path) is { } file ? JsonText.Parse(file.ReadAll()) : entry.Facts.Entry!.Text;
        var edited = overlay.Value(other, pointer) is { } value
            ? JsonEdit.Set(text, pointer, Encoding.UTF8.GetBytes(value.GetRawText()))
            : JsonEdit.Remove(text, pointer);
        if (edited is not null) draft.Add(entry.Path, $"{FieldName.Quote(pointer)} as there", new TreeEdit.Write(entry.Path, edited));
    }
}
