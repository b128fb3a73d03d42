using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Recipes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A check that looks at what is made of what, in packs that have a part in it.</summary>
public abstract class RecipeCheck : Check
{
    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        if (overlay.Profile.Economy is not { } rule) return [];
        var concerned = rule.Recipes.Concat(rule.Goods.Select(g => g.Place).OfType<string>()).Select(overlay.Profile.Place);
        return concerned.Any(p => overlay.Pack.In(p).Any()) ? Inspect(Economy.Of(overlay)) : [];
    }

    /// <summary>Looks at all recipes of the stack.</summary>
    protected abstract IEnumerable<Finding> Inspect(Economy economy);

    /// <summary>A finding that the host does not mind.</summary>
    protected Finding Regret(Economy economy, Placement placement, string because, string pointer = "") =>
        Report(economy.Overlay, placement, Consequence.Regret, because) with
        {
            Pointer = pointer,
            At = placement.Facts.Entry!.Text.Locate(pointer),
        };

    /// <summary>What people call a good: the name of its code, or its id.</summary>
    protected static string NameOf(Economy economy, Good good) =>
        economy.Rule!.Goods.First(g => g.Of == good.Of).Codebook is { } book
            ? economy.Overlay.Codebook(book).NameOf(good.Id)
            : $"“{good.Id}”";
}
