using System.Text;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Packs;
using Underlay.Core.References;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>Takes an entry out of the pack with the files that are its own and the texts that nothing else is called by.</summary>
public static class EntryRemoval
{
    /// <summary>What is to be done.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="path">The entry.</param>
    public static EntryPlan Plan(Overlay overlay, PackPath path)
    {
        if (overlay.OfPack(path) is not { Place.Kind: not null } entry)
            return EntryPlan.Refused(path, $"{path} is no entry of the pack.");
        var draft = new PlanDraft(overlay.Pack.Tree);
        foreach (var file in OwnFiles(overlay, entry))
            draft.Add(
                file,
                overlay.Base.Find(file) is null ? "taken out" : "taken out; the host’s own shows again",
                new TreeEdit.Delete(file));
        // Over the base's the entry stays, and keeps its texts.
        if (overlay.Base.Find(path) is null) RemoveTexts(draft, overlay, entry);
        return draft.Done(path);
    }

    private static IEnumerable<PackPath> OwnFiles(Overlay overlay, Placement entry)
    {
        var graph = new ReferenceGraph(overlay);
        var tied = overlay.Profile.Groups.Of(entry.Place).Select(p => p.Pattern?.Fill(entry.Bindings)).OfType<PackPath>();
        var found = graph.NeedsOf(entry)
            .Where(n => n is { Kind: ReferenceKind.FoundBy, To: { } file } && graph.UsesOf(file).All(u => u.From.Path == entry.Path))
            .Select(n => n.To!.Path);
        return tied.Concat(found).Prepend(entry.Path).Distinct().Where(overlay.PackHas);
    }

    private static void RemoveTexts(PlanDraft draft, Overlay overlay, Placement entry)
    {
        var shared = overlay.Pack.Placements
            .Where(p => p.Path != entry.Path && p.Facts.Entry is { Text.Problem: null })
            .SelectMany(p => WantedText.Of(overlay, p))
            .Select(w => w.Key)
            .ToHashSet(StringComparer.Ordinal);
        var own = WantedText.Of(overlay, entry).Select(w => w.Key).Where(k => !shared.Contains(k)).ToHashSet(StringComparer.Ordinal);
        foreach (var (table, shape) in Mentions.TextTables(overlay, entry.Place))
        {
            if (draft.Tree.Find(table) is not { } file || CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) is not { } csv) continue;
            var gone = csv.Rows.Skip(1).Count(r => own.Contains(csv.Value(r, shape.Key) ?? ""));
            if (gone == 0) continue;
            var written = CsvEdit.Remove(csv, r => own.Contains(csv.Value(r, shape.Key) ?? ""));
            draft.Add(
                table,
                gone == 1 ? "one text of it is taken out" : $"{gone} texts of it are taken out",
                new TreeEdit.Write(table, written));
        }
    }
}
