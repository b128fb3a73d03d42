using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>Where else a pack speaks of an entry: by its id, by its name, and by the keys of its texts.</summary>
internal static class Mentions
{
    /// <summary>Fields of other entries that name it.</summary>
    public static IEnumerable<(Placement Entry, string Pointer, string Value)> Of(Overlay overlay, NewName name)
    {
        var tied = overlay.Profile.Groups.Of(name.Entry.Place).Select(p => p.Key).ToHashSet(StringComparer.Ordinal);
        foreach (var entry in overlay.Pack.Placements.Where(p => p.Facts.Entry is { Text.Problem: null } && p.Path != name.Entry.Path))
        {
            var text = entry.Facts.Entry!.Text;
            foreach (var rule in entry.Place.RulesOf<RefersToRule>(overlay.Edition))
            {
                var old = rule.Placeholder is null && rule.Place == name.Entry.Place.Key
                    ? name.OldId
                    : rule.Placeholder == name.Placeholder && rule.Place is { } place && tied.Contains(place)
                    ? name.Old
                    : null;
                if (old is null) continue;
                foreach (var (pointer, _) in text.FindStrings(rule.Field).Where(t => t.Text == old))
                    yield return (entry, pointer, rule.Placeholder is null ? name.Id! : name.Name);
            }

            if (entry.Place == name.Entry.Place && entry.Place.Kind?.Inherits is { } inherits && text.FindString(inherits.By) == name.OldId)
                yield return (entry, inherits.By, name.Id!);
        }
    }

    /// <summary>Sets such fields.</summary>
    public static void Follow(
        PlanDraft draft,
        IEnumerable<(Placement Entry, string Pointer, string Value)> mentions,
        Func<PackPath, PackPath> moved)
    {
        foreach (var (entry, pointer, value) in mentions.ToList())
        {
            var path = moved(entry.Path);
            if (JsonText.Parse(draft.Tree.Find(path)!.ReadAll()) is not { Problem: null } text || text.Find(pointer) is null) continue;
            draft.Add(
                path,
                $"{Entries.FieldName.Quote(pointer)} becomes {value}",
                new TreeEdit.Write(path, JsonEdit.Set(text, pointer, JsonEdit.Text(value))));
        }
    }

    /// <summary>The pack's tables of texts with other keys.</summary>
    public static void RenameTexts(PlanDraft draft, Overlay overlay, NewName name)
    {
        if (name.OldId is not { } old || name.Id is not { } now || old == now) return;
        var shared = WantedByOthers(overlay, name).ToHashSet(StringComparer.Ordinal);
        foreach (var (table, shape) in TextTables(overlay, name.Entry.Place))
        {
            if (draft.Tree.Find(table) is not { } file || CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is not { } csv) continue;
            bool IsOld(string? key) => key?.StartsWith($"{old}/", StringComparison.Ordinal) == true;
            var rows = csv.Rows.Skip(1).Where(r => IsOld(csv.Value(r, shape.Key))).ToList();
            if (rows.Count == 0) continue;
            var written = CsvEdit.SetColumn(
                csv,
                shape.Key,
                (_, key) => IsOld(key) && !shared.Contains(key) ? now + key[old.Length..] : key);
            // What another entry of the same id is called by stays, and is there for this one too.
            foreach (var row in rows.Where(r => shared.Contains(csv.Value(r, shape.Key)!)))
                written = CsvEdit.Append(
                    CsvText.Read(Encoding.UTF8.GetString(written))!,
                    csv.Header.Zip(row.Fields, (column, value) => column == shape.Key ? now + value[old.Length..] : value));
            draft.Add(table, $"{rows.Count} of its texts become those of {now}", new TreeEdit.Write(table, written));
        }
    }

    /// <summary>Keys of texts that other entries with the same id are shown by: a ware and the recipe of it may be called alike.</summary>
    private static IEnumerable<string> WantedByOthers(Overlay overlay, NewName name) =>
        overlay.Profile.Places
            .Where(p => p != name.Entry.Place && p.Id is not null && p.RulesOf<TextsRule>(overlay.Edition).Any())
            .SelectMany(p => overlay.Links.WithValue(p, p.Id!, name.OldId!))
            .SelectMany(e => WantedText.Of(overlay, e))
            .Select(w => w.Key);

    /// <summary>The pack's tables that hold texts of entries of a place.</summary>
    public static IEnumerable<(PackPath Path, TableShape Shape)> TextTables(Overlay overlay, Place place) =>
        place.RulesOf<TextsRule>(overlay.Edition)
            .Select(r => overlay.Profile.Place(r.Place))
            .Distinct()
            .SelectMany(texts => overlay.Pack.In(texts).Select(t => (t.Path, texts.Table!)));
}
