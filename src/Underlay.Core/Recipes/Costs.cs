namespace Underlay.Core.Recipes;

/// <summary>What one piece of a good costs by the cheapest way.</summary>
/// <param name="Price">In the host's coin.</param>
/// <param name="Minutes">Of all work that goes into it.</param>
/// <param name="Way">The recipe that makes it; null where it is bought.</param>
public sealed record Cost(double Price, double Minutes, Recipe? Way);

/// <summary>
/// Rolls costs up from what can be bought. A run's cost is shared by all that it makes, piece by piece; of several ways the cheapest
/// counts, of equal ones the quickest.
/// </summary>
public static class Costs
{
    private const double Nearly = 1 - 1e-12;

    /// <summary>The costs of all that can be had.</summary>
    /// <param name="bought">What can be bought, and for how much.</param>
    /// <param name="recipes">The recipes.</param>
    public static IReadOnlyDictionary<Good, Cost> Of(IReadOnlyDictionary<Good, double> bought, IReadOnlyList<Recipe> recipes)
    {
        var costs = bought.ToDictionary(b => b.Key, b => new Cost(b.Value, 0, null));
        // The cheapest way of each good passes each other good once at most; only what is had for nothing gets cheaper without end.
        for (var passes = recipes.SelectMany(r => r.Makes).Select(m => m.Good).Distinct().Count() + 1; passes > 0; passes--)
        {
            var isSettled = true;
            // Recipes that accept the same share the list of it; what gets cheaper meanwhile counts in the next pass.
            var cheapest = new Dictionary<IReadOnlyList<Good>, Good?>(ReferenceEqualityComparer.Instance);
            foreach (var recipe in recipes)
            {
                if (OfRun(recipe, costs, CheapestOf) is not { } run) continue;
                var pieces = recipe.Makes.Sum(m => m.Amount.ToDouble());
                var each = new Cost(run.Price / pieces, run.Minutes / pieces, recipe);
                foreach (var product in recipe.Makes)
                    if (!costs.TryGetValue(product.Good, out var before) || IsBetter(each, before))
                        (costs[product.Good], isSettled) = (each, false);
            }

            if (isSettled) break;

            Good? CheapestOf(Ingredient use)
            {
                if (!use.IsOpen) return Cheapest(use, costs);
                if (!cheapest.TryGetValue(use.AnyOf, out var found)) cheapest[use.AnyOf] = found = Cheapest(use, costs);
                return found;
            }
        }

        return costs;
    }

    /// <summary>What a recipe's run costs, with the cheapest of what it accepts; null where something cannot be had.</summary>
    public static (double Price, double Minutes)? OfRun(Recipe recipe, IReadOnlyDictionary<Good, Cost> costs) =>
        OfRun(recipe, costs, use => Cheapest(use, costs));

    private static (double Price, double Minutes)? OfRun(
        Recipe recipe,
        IReadOnlyDictionary<Good, Cost> costs,
        Func<Ingredient, Good?> choose)
    {
        var (price, minutes) = (0.0, recipe.Minutes);
        foreach (var use in recipe.Uses)
        {
            if (choose(use) is not { } found) return null;
            price += use.Amount.ToDouble() * costs[found].Price;
            minutes += use.Amount.ToDouble() * costs[found].Minutes;
        }

        return (price, minutes);
    }

    /// <summary>The cheapest of what will do, or null where none of it can be had.</summary>
    public static Good? Cheapest(Ingredient use, IReadOnlyDictionary<Good, Cost> costs)
    {
        Good? best = null;
        foreach (var good in use.AnyOf)
            if (costs.TryGetValue(good, out var cost) && (best is not { } other || IsBetter(cost, costs[other]))) best = good;
        return best;
    }

    private static bool IsBetter(Cost cost, Cost other) =>
        cost.Price < other.Price * Nearly || (cost.Price <= other.Price && cost.Minutes < other.Minutes * Nearly);
}
