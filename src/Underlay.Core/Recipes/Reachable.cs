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
        var waiting = recipes.ToDictionary(r => r, r => r.Uses.Count, (IEqualityComparer<Recipe>)ReferenceEqualityComparer.Instance);
        // Recipes that accept the same share the list of it, which is met for all of them at once.
        var uses = recipes
            .SelectMany(r => r.Uses, (recipe, use) => (recipe, use))
            .ToLookup(u => u.use.AnyOf, u => u.recipe, (IEqualityComparer<IReadOnlyList<Good>>)ReferenceEqualityComparer.Instance);
        var lists = uses
            .Select(u => u.Key)
            .SelectMany(list => list.Distinct(), (list, good) => (list, good))
            .ToLookup(l => l.good, l => l.list);
        var met = new HashSet<IReadOnlyList<Good>>(ReferenceEqualityComparer.Instance);
        var next = new Queue<Good>(reached);
        foreach (var recipe in recipes.Where(r => r.Uses.Count == 0)) Make(recipe);
        while (next.TryDequeue(out var good))
            foreach (var list in lists[good].Where(met.Add))
                foreach (var recipe in uses[list])
                    if (--waiting[recipe] == 0) Make(recipe);
        return reached;

        void Make(Recipe recipe)
        {
            foreach (var product in recipe.Makes)
                if (reached.Add(product.Good)) next.Enqueue(product.Good);
        }
    }
}
