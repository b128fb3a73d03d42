using System.Numerics;

namespace Underlay.Core.Recipes;

/// <summary>A mix of recipes that takes nothing and leaves something.</summary>
/// <param name="Runs">How often each recipe is run: whole numbers, as small as can be.</param>
/// <param name="Left">What there is more of afterwards. Of nothing there is less.</param>
public sealed record Gain(IReadOnlyList<(Recipe Recipe, BigInteger Times)> Runs, IReadOnlyList<Product> Left);

/// <summary>
/// The proof that some recipes, in whatever mix, leave nothing for nothing: prices at which none of them makes more than it takes.
/// </summary>
/// <param name="Recipes">The recipes.</param>
/// <param name="Prices">Prices above 0 of goods; of all others the price is 1.</param>
public sealed record NoGain(IReadOnlyList<Recipe> Recipes, IReadOnlyDictionary<Good, Rational> Prices);
