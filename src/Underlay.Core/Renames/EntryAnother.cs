using Underlay.Core.Decisions;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Packs;
using Underlay.Core.Recipes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Renames;

/// <summary>
/// Makes a new entry of another, of the pack or the base: its files under the new name, with the author's prefix, free numbers and
/// texts of its own. Pictures that came along are marked as still to be made.
/// </summary>
public static class EntryAnother
{
    /// <summary>What is to be done.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="original">The entry that another is made like.</param>
    /// <param name="name">The name that the other gets.</param>
    /// <param name="withRecipe">A recipe comes along, after the one that makes the original.</param>
    /// <param name="elsewhere">Numbers that other packs of the author have, from which its own are kept apart.</param>
    public static EntryPlan Plan(
        Overlay overlay,
        PackPath original,
        string name,
        bool withRecipe = false,
        IReadOnlyCollection<TakenNumber>? elsewhere = null)
    {
        var (found, problem) = NewName.Of(overlay, original, name, isNew: true);
        if (found is not { } now) return EntryPlan.Refused(original, problem!);
        if (now.Entry.Facts.Entry is not { IsAccepted: true }) return EntryPlan.Refused(original, $"{original} has to be mended first.");
        var draft = new PlanDraft(overlay.Pack.Tree);
        var held = new List<PlaceholderFile>();
        foreach (var place in overlay.Profile.Groups.Of(now.Entry.Place).Where(p => p.Editions.Holds(overlay.Edition)))
        {
            if (place.Pattern?.Fill(now.Entry.Bindings) is not { } from || overlay.Shown(from) is not { } file) continue;
            Copy(draft, overlay, file, place.Pattern.Fill(now.Bindings)!.Value, held);
        }

        if (now.Id is { } id) SetField(draft, now, now.Entry.Place.Id!, id);
        foreach (var unique in now.Entry.Place.RulesOf<UniqueRule>(overlay.Edition).Where(u => u.Field != now.Entry.Place.Id))
            Renumber(draft, overlay, now, unique.Field, elsewhere, held);
        CopyTexts(draft, overlay, now);
        if (withRecipe) AddRecipe(draft, overlay, now);
        draft.Add(PlaceholderFiles.Add(draft.Tree, held).Edits);
        return draft.Done(now.Path);
    }

    private static void Copy(PlanDraft draft, Overlay overlay, Placement file, PackPath to, List<PlaceholderFile> held)
    {
        if (draft.Tree.Find(to) is not null) return;
        var bytes = overlay.Read(file)!;
        draft.Add(to, $"made of {file.Path}", new TreeEdit.Write(to, bytes));
        if (!file.Place.HoldsText) held.Add(new PlaceholderFile(to, file.Facts.Hash, file.Path.Value));
    }

    private static void SetField(PlanDraft draft, NewName now, string pointer, string value)
    {
        var text = JsonText.Parse(draft.Tree.Find(now.Path)!.ReadAll());
        draft.Add(
            now.Path,
            $"{Entries.FieldName.Quote(pointer)} becomes {value}",
            new TreeEdit.Write(now.Path, JsonEdit.Set(text, pointer, JsonEdit.Text(value))));
    }

    /// <summary>A number that nothing has, and what is found by it.</summary>
    private static void Renumber(
        PlanDraft draft,
        Overlay overlay,
        NewName now,
        string field,
        IReadOnlyCollection<TakenNumber>? elsewhere,
        List<PlaceholderFile> held)
    {
        if (now.Entry.Field(field) is not { } old) return;
        if (FreeNumber.After(overlay, now.Entry.Place, field, old, elsewhere) is not { } free) return;
        SetField(draft, now, field, free);
        foreach (var (pattern, hole) in FreeNumber.FilesBy(overlay, now.Entry.Place, field))
            if (pattern?.Fill(Bindings.Of([(hole, old)])) is { } from && overlay.Shown(from) is { } picture)
                Copy(draft, overlay, picture, pattern.Fill(Bindings.Of([(hole, free)]))!.Value, held);
    }

    /// <summary>The recipe that makes the original; null where none does, or it is nothing that is made.</summary>
    public static Recipe? RecipeOf(Overlay overlay, PackPath original) =>
        overlay.Shown(original) is { Place: { Id: { } pointer, Key: var place } } entry && entry.Field(pointer) is { } id
            ? RecipeModel.Of(Economy.Of(overlay), new Good(place, id))
            : null;

    private static void AddRecipe(PlanDraft draft, Overlay overlay, NewName now)
    {
        if (RecipeOf(overlay, now.Entry.Path) is not { } model) return;
        var (economy, name) = (Economy.Of(overlay), now.Name);
        if (NewRecipe.Of(economy, model, new Good(now.Entry.Place.Key, now.OldId!), name, now.Id!) is not { } recipe)
            draft.Tell(model.From.Path, $"stays the only one: no recipe can be called {name} and have an id of yours");
        else if (draft.Tree.Find(recipe.Path) is not null)
            draft.Tell(recipe.Path, "is there already, and stays as it is");
        else
            recipe.AddTo(draft, economy);
    }

    /// <summary>The original's texts in every language, for the author to change.</summary>
    private static void CopyTexts(PlanDraft draft, Overlay overlay, NewName now)
    {
        foreach (var wanted in WantedText.Of(overlay, now.Entry))
        {
            var texts = overlay.Profile.Place(wanted.Rule.Place);
            if (overlay.Rows.Find(texts, wanted.Key) is not { } row) continue;
            string Value(string column) => row.Values.GetValueOrDefault(column, "");
            NewText.Add(
                draft,
                overlay,
                now.Entry.Place,
                wanted.Rule,
                $"{now.Id}/{wanted.Word}",
                Value,
                "as its original, for you to change");
        }
    }
}
