using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Recipes;

namespace Underlay.Core.Checks;

/// <summary>The pack adds something that no recipe makes, in a host whose own are made.</summary>
/// <remarks>Host: nobody ever has one. See docs/checks.md#recipenothing-makes.</remarks>
public sealed class NothingMakes : RecipeCheck
{
    /// <inheritdoc/>
    public override CheckCode Code => new("recipe/nothing-makes");

    /// <inheritdoc/>
    protected override IEnumerable<Finding> Inspect(Economy economy)
    {
        var overlay = economy.Overlay;
        var made = economy.Recipes.Concat(economy.LeftOut).SelectMany(r => r.Makes).Select(m => m.Good).ToHashSet();
        var madeInBase = economy.Recipes.Where(r => r.From.Layer.IsBase).SelectMany(r => r.Makes).Select(m => m.Good).ToHashSet();
        foreach (var place in economy.Rule!.Goods.Select(g => g.Place).OfType<string>().Select(overlay.Profile.Place))
        {
            bool IsIn(HashSet<Good> goods, Stacks.Placement entry) =>
                entry.Field(place.Id!) is { } id && goods.Contains(new Good(place.Key, id));
            var own = overlay.Base.In(place).Select(f => overlay.OfBase(f.Path)!).ToList();
            if (own.Count == 0 || own.Count(e => IsIn(madeInBase, e)) * 2 <= own.Count) continue;
            foreach (var entry in overlay.ShownIn(place).Where(e => !e.Layer.IsBase && overlay.Base.Find(e.Path) is null && !IsIn(made, e)))
                yield return Regret(economy, entry, $"No recipe makes this {place.Noun}, so players can never have one.") with
                {
                    Severity = Severity.Note,
                    Fix = WriteRecipe.For(overlay, entry.Path),
                };
        }
    }
}
