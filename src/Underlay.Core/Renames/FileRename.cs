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
        var draft = new PlanDraft(tree);
        var moves = Moves(overlay, tree, from, to).ToList();
        foreach (var move in moves)
            draft.Add(
                move.From,
                $"moved to {move.To}",
                Renaming.Edits(overlay.Profile, overlay.Edition, draft.Tree, move.From, move.To));
        var byOld = moves.ToDictionary(m => m.From, m => m.To);
        foreach (var move in moves)
        {
            if (overlay.OfPack(move.From) is not { } was || overlay.Profile.Locate(move.To, overlay.Edition) is not { } now) continue;
            if (was.Place != now.Place) continue;
            Mentions.Follow(
                draft,
                Named(overlay, was, now.Bindings).Where(m => tree.Find(m.Entry.Path) is not null),
                at => byOld.GetValueOrDefault(at, at));
            MoveRows(draft, overlay, was, now.Bindings);
        }

        return draft.Done(to);
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

    /// <summary>Fields of entries that name a file by what its path has at some holes, with what they then are to say.</summary>
    private static IEnumerable<(Placement Entry, string Pointer, string Value)> Named(Overlay overlay, Placement was, Bindings now)
    {
        foreach (var place in overlay.Profile.Places)
            foreach (var rule in place.RulesOf<RefersToRule>(overlay.Edition))
            {
                if (rule.Place != was.Place.Key || rule.Placeholder is not { } holes) continue;
                if (ValueOf(holes, was.Bindings) is not { } old || ValueOf(holes, now) is not { } value || old == value) continue;
                foreach (var entry in overlay.Pack.In(place))
                    foreach (var (pointer, _) in entry.Facts.Entry?.Text.FindStrings(rule.Field).Where(t => t.Text == old) ?? [])
                        yield return (entry, pointer, value);
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
