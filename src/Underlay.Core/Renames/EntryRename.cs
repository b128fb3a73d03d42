using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>
/// Gives an entry of the pack another name wherever the name stands: its file and those that belong to it, its id, the fields of other
/// entries that name it, and the keys of its texts.
/// </summary>
public static class EntryRename
{
    /// <summary>What is to be done.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="path">The entry.</param>
    /// <param name="name">The name that it gets.</param>
    public static EntryPlan Plan(Overlay overlay, PackPath path, string name)
    {
        if (!overlay.PackHas(path))
            return EntryPlan.Refused(path, $"{path} is the host’s own; make another like it to give yours another name.");
        var (found, problem) = NewName.Of(overlay, path, name, isNew: false);
        if (found is not { } now) return EntryPlan.Refused(path, problem!);
        var draft = new PlanDraft(overlay.Pack.Tree);
        var mentions = Mentions.Of(overlay, now).ToList();
        var moves = overlay.Profile.Groups.Of(now.Entry.Place)
            .Select(p => (From: p.Pattern?.Fill(now.Entry.Bindings), To: p.Pattern?.Fill(now.Bindings)))
            .Where(m => m is { From: { } from, To: not null } && overlay.PackHas(from))
            .Select(m => (From: m.From!.Value, To: m.To!.Value))
            .ToList();
        if (moves.Find(m => overlay.PackHas(m.To)) is { To: { Value: not null } taken } && overlay.PackHas(taken))
            return EntryPlan.Refused(path, $"{taken} is there already.");
        foreach (var (from, to) in moves)
            draft.Add(from, $"moved to {to}", Renaming.Edits(overlay.Profile, overlay.Edition, draft.Tree, from, to));
        SetId(draft, now);
        var byOld = moves.ToDictionary(m => m.From, m => m.To);
        Mentions.Follow(draft, mentions, at => byOld.GetValueOrDefault(at, at));
        Mentions.RenameTexts(draft, overlay, now);
        return draft.Done(now.Path);
    }

    /// <summary>The edits that give an entry another id where its path stays, and all that names it along with it.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="tree">The pack's files as they are now.</param>
    /// <param name="path">The entry.</param>
    /// <param name="id">The id that it gets.</param>
    public static IReadOnlyList<TreeEdit> EditsOfId(Overlay overlay, FileTree tree, PackPath path, string id)
    {
        if (overlay.OfPack(path) is not { Place.Id: { } pointer } entry) return [];
        if (entry.Field(pointer) is not { } old || tree.Find(path) is null) return [];
        var now = new NewName(entry, "", "", "", old, id);
        var draft = new PlanDraft(tree);
        SetId(draft, now);
        Mentions.Follow(draft, Mentions.Of(overlay, now).Where(m => tree.Find(m.Entry.Path) is not null), at => at);
        Mentions.RenameTexts(draft, overlay, now);
        return draft.Done(path).Edits;
    }

    private static void SetId(PlanDraft draft, NewName now)
    {
        var path = now.Name.Length > 0 ? now.Path : now.Entry.Path;
        if (now.Id is { } id && id != now.OldId && JsonText.Parse(draft.Tree.Find(path)!.ReadAll()) is { Problem: null } text)
            draft.Add(path, $"its id becomes {id}", new TreeEdit.Write(path, JsonEdit.Set(text, now.Entry.Place.Id!, JsonEdit.Text(id))));
    }
}
