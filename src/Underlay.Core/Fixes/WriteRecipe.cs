using Underlay.Core.Packs;
using Underlay.Core.Recipes;
using Underlay.Core.Renames;
using Underlay.Core.Stacks;

namespace Underlay.Core.Fixes;

/// <summary>
/// Writes the recipe that makes an entry, after that of the base's entry most like it.
/// </summary>
/// <param name="Entry">What nothing makes.</param>
public sealed record WriteRecipe(PackPath Entry)
    : Fix("Write a recipe as that of the base’s most like it", LosesNothing: true, LeavesNoChoice: false)
{
    /// <inheritdoc/>
    public override bool IsOffer => true;

    /// <inheritdoc/>
    public override bool KeepsOriginals => false;

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context)
    {
        if (context.Overlay is not { } overlay || Target(overlay, Entry) is not { } recipe || tree.Find(recipe.Path) is not null) return [];
        var draft = new PlanDraft(tree);
        recipe.AddTo(draft, Economy.Of(overlay));
        return draft.Done(recipe.Path).Edits;
    }

    /// <summary>The fix, where a recipe can be written: its path and its id are free, and there is one to go by.</summary>
    public static WriteRecipe? For(Overlay overlay, PackPath entry) =>
        Target(overlay, entry) is { } target && !overlay.PackHas(target.Path) ? new WriteRecipe(entry) : null;

    private static NewRecipe? Target(Overlay overlay, PackPath path)
    {
        if (overlay.OfPack(path) is not { Place: { Id: { } own, Pattern.Placeholders: [var hole] } } entry) return null;
        var economy = Economy.Of(overlay);
        return entry.Field(own) is { } made && RecipeModel.For(economy, entry) is { } model
            ? NewRecipe.Of(economy, model, model.Makes[0].Good, entry.Bindings.Find(hole)!, made)
            : null;
    }
}
