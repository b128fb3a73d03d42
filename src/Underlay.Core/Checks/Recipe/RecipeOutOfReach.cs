using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Recipes;

namespace Underlay.Core.Checks;

/// <summary>A recipe takes something that can neither be bought nor made, so nobody can ever use it.</summary>
/// <remarks>Host: does not mind. See docs/checks.md#recipeout-of-reach.</remarks>
public sealed class RecipeOutOfReach : RecipeCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("recipe/out-of-reach");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Economy economy)
    {
        var reached = economy.Reckoning.Reachable;
        foreach (var recipe in economy.Recipes.Where(r => !r.From.Layer.IsBase))
            foreach (var use in recipe.Uses.Where(u => !u.AnyOf.Any(reached.Contains)))
            {
                // What does not exist is told as that.
                if (!use.IsOpen && !Exists(economy, use.AnyOf[0])) continue;
                var what = use switch
                {
                    { IsOpen: true, AnyOf.Count: 0 } => "nothing in this edition is as it accepts it",
                    { IsOpen: true } => "nothing that it accepts can be bought or made",
                    _ => $"{NameOf(economy, use.AnyOf[0])} can neither be bought nor made of what can",
                };
                yield return Regret(
                    economy,
                    recipe.From,
                    $"Nobody can ever make this: {FieldName.Quote(use.Pointer)} is out of reach, {what}.",
                    use.Pointer);
            }
    }

    private static bool Exists(Economy economy, Good good) =>
        economy.Rule!.Goods.First(g => g.Of == good.Of).Codebook is { } book
            ? economy.Overlay.Codebook(book).Has(good.Id)
            : economy.EntryOf(good) is not null;
}
