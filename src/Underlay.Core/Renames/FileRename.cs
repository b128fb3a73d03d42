using System.Text;
using Underlay.Core.Decisions;
using Underlay.Core.Formats.Csv;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>
/// Gives a file of the pack another path, and with it all that goes by its name: the other files of the pack's own thing, fields of
/// entries that name it, its row in a table of sounds, the script's notes on it.
/// </summary>
public static class FileRename
{
    /// <summary>What is to be done.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="from">The file.</param>
    /// <param name="to">Where it goes.</param>
    public static EntryPlan Plan(Overlay overlay, PackPath from, PackPath to)
    {
        var entry = EntryOf(overlay, from, to);
        return entry is var (path, name) ? EntryRename.Plan(overlay, path, name) : Plan(overlay, overlay.Pack.Tree, from, to);
    }

    /// <summary>What is to be done where no entry has the name.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="tree">The pack's files as they are now.</param>
    /// <param name="from">The file.</param>
    /// <param name="to">Where it goes.</param>
    internal static EntryPlan Plan(Overlay overlay, FileTree tree, PackPath from, PackPath to)
    {
        if (tree.Find(from) is null) return EntryPlan.Refused(from, $"{from} is no longer in the pack.");
        if (tree.Find(to) is not null) return EntryPlan.Refused(from, $"{to} is there already.");
        return Plan(overlay, tree, [(from, to)]);
    }

    /// <summary>What is to be done for several at once: those that name each other stay together. What cannot be moved stays.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="tree">The pack's files as they are now.</param>
    /// <param name="wanted">The files and where they go.</param>
    internal static EntryPlan Plan(Overlay overlay, FileTree tree, IReadOnlyList<(PackPath From, PackPath To)> wanted)
    {
        var draft = new PlanDraft(tree);
        var byOld = new Dictionary<PackPath, PackPath>();
        foreach (var move in wanted.SelectMany(w => Moves(overlay, tree, w.From, w.To)))
        {
            if (draft.Tree.Find(move.From) is null || draft.Tree.Find(move.To) is not null || !byOld.TryAdd(move.From, move.To)) continue;
            draft.Add(
                move.From,
                $"moved to {move.To}",
                Renaming.Edits(overlay.Profile, overlay.Edition, draft.Tree, move.From, move.To));
        }

        var naming = FieldsByWhatTheyName(overlay);
        foreach (var (from, to) in byOld)
        {
            if (overlay.OfPack(from) is not { } was || overlay.Profile.Locate(to, overlay.Edition) is not { } now) continue;
            if (was.Place != now.Place) continue;
            // What names the base's name means what is there then, too.
            if (overlay.Base.Find(from) is null)
                Mentions.Follow(
                    draft,
                    Named(overlay, naming, was, now.Bindings).Where(m => tree.Find(m.Entry.Path) is not null),
                    at => byOld.GetValueOrDefault(at, at));
            MoveRows(draft, overlay, was, now.Bindings);
        }

        return draft.Done(wanted[0].To);
    }

    /// <summary>The entry that goes with a file of a thing of the pack's own, and the name that it gets; null for none.</summary>
    private static (PackPath Path, string Name)? EntryOf(Overlay overlay, PackPath from, PackPath to)
    {
        if (NewBindings(overlay, from, to) is not var (place, old, now) || place.Pattern!.Placeholders is not [var hole]) return null;
        var entry = overlay.Profile.Groups.Of(place)
            .Where(p => p.Id is not null)
            .Select(p => p.Pattern?.Fill(old))
            .FirstOrDefault(path => path is { } at && overlay.PackHas(at) && overlay.Base.Find(at) is null);
        return entry is { } found ? (found, now.Find(hole)!) : null;
    }

    /// <summary>The place of both paths and what they have at its holes; null where they are of different places or of none.</summary>
    private static (Place Place, Bindings Old, Bindings Now)? NewBindings(Overlay overlay, PackPath from, PackPath to) =>
        overlay.Profile.Locate(from, overlay.Edition) is { } was
        && overlay.Profile.Locate(to, overlay.Edition) is { } now
        && was.Place == now.Place
        && was.Place.Pattern is not null
            ? (was.Place, was.Bindings, now.Bindings)
            : null;

    /// <summary>
    /// The file, and the others of its thing where that is the pack's own. What replaces the base's goes alone: the author puts it in
    /// the place of another.
    /// </summary>
    private static IEnumerable<(PackPath From, PackPath To)> Moves(Overlay overlay, FileTree tree, PackPath from, PackPath to)
    {
        yield return (from, to);
        if (NewBindings(overlay, from, to) is not var (place, old, now)) yield break;
        var tied = overlay.Profile.Groups.Of(place)
            .Select(p => (From: p.Pattern?.Fill(old), To: p.Pattern?.Fill(now)))
            .Where(m => m is { From: not null, To: not null })
            .Select(m => (From: m.From!.Value, To: m.To!.Value))
            .ToList();
        if (tied.Exists(m => overlay.Base.Find(m.From) is not null || overlay.Base.Find(m.To) is not null)) yield break;
        foreach (var move in tied)
            if (move.From != from && tree.Find(move.From) is not null && tree.Find(move.To) is null) yield return move;
    }

    /// <summary>Fields of the pack's entries that name files, by the files' place, holes and what their paths have there.</summary>
    private static ILookup<(string Place, string Holes, string Value), (Placement Entry, string Pointer)> FieldsByWhatTheyName(
        Overlay overlay) =>
        overlay.Profile.Places
            .SelectMany(place => place.RulesOf<RefersToRule>(overlay.Edition).Select(rule => (Place: place, Rule: rule)))
            .Where(r => r.Rule is { Place: not null, Placeholder: not null })
            .SelectMany(r => overlay.Pack.In(r.Place).Select(entry => (r.Rule, Entry: entry)))
            .SelectMany(r => (r.Entry.Facts.Entry?.Text.FindStrings(r.Rule.Field) ?? []).Select(t => (r.Rule, r.Entry, Found: t)))
            .ToLookup(n => (n.Rule.Place!, n.Rule.Placeholder!, n.Found.Text), n => (n.Entry, n.Found.Pointer));

    /// <summary>Fields that name a file by what its path has at some holes, with what they then are to say.</summary>
    private static IEnumerable<(Placement Entry, string Pointer, string Value)> Named(
        Overlay overlay,
        ILookup<(string Place, string Holes, string Value), (Placement Entry, string Pointer)> naming,
        Placement was,
        Bindings now)
    {
        foreach (var holes in Holes(overlay, was.Place))
        {
            if (ValueOf(holes, was.Bindings) is not { } old || ValueOf(holes, now) is not { } value || old == value) continue;
            foreach (var (entry, pointer) in naming[(was.Place.Key, holes, old)]) yield return (entry, pointer, value);
        }
    }

    private static string? ValueOf(string holes, Bindings bindings)
    {
        var values = holes.Split('/').Select(bindings.Find).ToList();
        return values.Contains(null) ? null : string.Join('/', values);
    }

    /// <summary>A sound's row, in the table of its folder or another's, and what the script notes of it.</summary>
    private static void MoveRows(PlanDraft draft, Overlay overlay, Placement was, Bindings now)
    {
        foreach (var rule in was.Place.RulesOf<SoundRowRule>(overlay.Edition))
        {
            var table = overlay.Profile.Place(rule.Table);
            var (old, key) = (was.Bindings.Find(rule.Placeholder)!, now.Find(rule.Placeholder)!);
            if (table.Pattern?.Fill(was.Bindings) is not { } from || table.Pattern.Fill(now) is not { } to) continue;
            if (Read(draft.Tree, from) is not { } csv) continue;
            if (csv.Rows.Skip(1).FirstOrDefault(r => csv.Value(r, table.Table!.Key) == old) is not { } row) continue;
            if (from == to)
            {
                if (csv.Rows.Any(r => csv.Value(r, table.Table!.Key) == key)) continue;
                var renamed = CsvEdit.SetColumn(csv, table.Table!.Key, (_, value) => value == old ? key : value);
                draft.Add(from, $"the row “{old}” becomes “{key}”", new TreeEdit.Write(from, renamed));
                continue;
            }

            var other = Read(draft.Tree, to) ?? CsvText.Read(string.Join(',', csv.Header) + "\n")!;
            if (other.Rows.Any(r => other.Value(r, table.Table!.Key) == key)) continue;
            var fields = other.Header.Select(c => c == table.Table!.Key ? key : csv.Value(row, c) ?? "");
            draft.Add(to, $"gets the row “{key}”", new TreeEdit.Write(to, CsvEdit.Append(other, fields)));
            draft.Add(from, $"the row “{old}” goes", new TreeEdit.Write(from, CsvEdit.Remove(csv, r => r == row)));
        }

        foreach (var holes in Holes(overlay, was.Place))
            if (ValueOf(holes, was.Bindings) is { } sound
                && ValueOf(holes, now) is { } name
                && ScriptFile.Read(draft.Tree).TryGetValue(sound, out var note))
                draft.Add(
                    ScriptFile.File.Path,
                    $"the script’s note on {sound} becomes one on {name}",
                    ScriptFile.Set(draft.Tree, new Dictionary<string, ScriptNote> { [sound] = ScriptNote.Empty, [name] = note }).Edits);
    }

    private static IEnumerable<string> Holes(Overlay overlay, Place place) =>
        overlay.Profile.Places
            .SelectMany(p => p.RulesOf<RefersToRule>(overlay.Edition))
            .Where(r => r.Place == place.Key)
            .Select(r => r.Placeholder)
            .OfType<string>()
            .Distinct();

    private static CsvText? Read(FileTree tree, PackPath path) =>
        tree.Find(path) is { } file ? CsvText.Read(Encoding.UTF8.GetString(file.ReadAll())) : null;
}
