namespace Underlay.Core.Recipes;

/// <summary>Two recipes of one station that the same things satisfy.</summary>
/// <param name="Recipe">One of the pack.</param>
/// <param name="Other">Another, of the pack or the base.</param>
/// <param name="Made">The one that is made of such things; null where it may be either.</param>
/// <param name="IsAlways">True where all that satisfies the one that is not made satisfies the other as well.</param>
public sealed record Clash(Recipe Recipe, Recipe Other, Recipe? Made, bool IsAlways)
{
    /// <summary>
    /// For each recipe of the pack the first that clashes with it: of the base, or of the pack with an earlier path. One of equal order
    /// goes before others.
    /// </summary>
    public static IEnumerable<Clash> In(IReadOnlyList<Recipe> recipes)
    {
        // Only recipes that take the same amounts at one station can take the same things.
        foreach (var alike in recipes.Where(r => r.Uses.Count > 0).GroupBy(KeyOf, StringComparer.Ordinal))
        {
            var list = alike.OrderBy(r => !r.From.Layer.IsBase).ThenBy(r => r.From.Path).ToList();
            var open = list.Where(IsOpen).ToList();
            var named = list.Where(r => !IsOpen(r)).ToLookup(GoodsOf, StringComparer.Ordinal);
            foreach (var recipe in list.Where(r => !r.From.Layer.IsBase))
            {
                // What names all of its goods clashes with what names the same, and with what accepts more.
                var others = IsOpen(recipe) ? list : named[GoodsOf(recipe)].Concat(open);
                bool Clashes(Recipe o) =>
                    o != recipe
                    && (o.From.Layer.IsBase || o.From.Path.CompareTo(recipe.From.Path) < 0)
                    && CanBePaired(recipe, o, Overlap);
                var first = others.FirstOrDefault(o => o.Order == recipe.Order && Clashes(o)) ?? others.FirstOrDefault(Clashes);
                if (first is not null) yield return Of(recipe, first);
            }
        }
    }

    private static bool IsOpen(Recipe recipe) => recipe.Uses.Any(u => u.IsOpen);

    private static string GoodsOf(Recipe recipe) =>
        string.Join(' ', recipe.Uses.Select(u => $"{u.AnyOf[0].Of}:{u.AnyOf[0].Id}*{u.Amount}").Order(StringComparer.Ordinal));

    private static Clash Of(Recipe recipe, Recipe other)
    {
        if (recipe.Order == other.Order) return new Clash(recipe, other, null, IsAlways: false);
        var (made, hidden) = recipe.Order > other.Order ? (recipe, other) : (other, recipe);
        return new Clash(recipe, other, made, CanBePaired(hidden, made, IsWithin));
    }

    private static string KeyOf(Recipe recipe) => $"{recipe.Station} {string.Join(' ', recipe.Uses.Select(u => u.Amount).Order())}";

    private static bool Overlap(Ingredient one, Ingredient other) =>
        one.Amount == other.Amount
            && (ReferenceEquals(one.AnyOf, other.AnyOf) ? one.AnyOf.Count > 0 : one.AnyOf.Intersect(other.AnyOf).Any());

    private static bool IsWithin(Ingredient one, Ingredient other) =>
        one.Amount == other.Amount && one.AnyOf.Count > 0 && !one.AnyOf.Except(other.AnyOf).Any();

    /// <summary>True where each part of one can be given a part of the other of its own (augmenting paths).</summary>
    private static bool CanBePaired(Recipe one, Recipe other, Func<Ingredient, Ingredient, bool> fits)
    {
        var partner = new int[other.Uses.Count];
        Array.Fill(partner, -1);
        for (var i = 0; i < one.Uses.Count; i++)
            if (!Pair(i, new bool[other.Uses.Count])) return false;
        return true;

        bool Pair(int at, bool[] seen)
        {
            for (var j = 0; j < seen.Length; j++)
            {
                if (seen[j] || !fits(one.Uses[at], other.Uses[j])) continue;
                seen[j] = true;
                if (partner[j] >= 0 && !Pair(partner[j], seen)) continue;
                partner[j] = at;
                return true;
            }

            return false;
        }
    }
}
