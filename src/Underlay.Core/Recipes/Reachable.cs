namespace Underlay.Core.Recipes;

/// <summary>What can be had at all: what can be bought, and what recipes make of what can be had.</summary>
public static class Reachable
{
    /// <summary>All that can be had. Each recipe is looked at once for each thing that it takes (Dowling and Gallier).</summary>
    /// <param name="bought">What can be bought.</param>
    /// <param name="recipes">The recipes.</param>
    public static IReadOnlySet<Good> From(IEnumerable<Good> bought, IReadOnlyList<Recipe> recipes)
    {
        var reached = new HashSet<Good>(bought);
        var waiting = new Dictionary<Recipe, int>(ReferenceEqualityComparer.Instance);
        var takers = recipes
            .SelectMany(r => r.Uses.SelectMany(u => u.AnyOf.Distinct().Select(g => (Good: g, Recipe: r, Use: u))))
            .ToLookup(t => t.Good, t => (t.Recipe, t.Use));
        var met = new HashSet<Ingredient>(ReferenceEqualityComparer.Instance);
        var next = new Queue<Good>(reached);
        foreach (var recipe in recipes)
        {
            waiting[recipe] = recipe.Uses.Count;
            if (recipe.Uses.Count == 0) Make(recipe);
        }

        while (next.TryDequeue(out var good))
            foreach (var (recipe, use) in takers[good])
                if (met.Add(use) && --waiting[recipe] == 0) Make(recipe);
        return reached;

        void Make(Recipe recipe)
        {
            foreach (var product in recipe.Makes)
                if (reached.Add(product.Good)) next.Enqueue(product.Good);
        }
    }
}
