using Underlay.Core.Stacks;

namespace Underlay.Core.Recipes;

/// <summary>What recipes take and make: an entry by its id, or a code.</summary>
/// <param name="Of">The key of the place or the codebook.</param>
/// <param name="Id">The id or the code.</param>
public readonly record struct Good(string Of, string Id);

/// <summary>What a recipe takes.</summary>
/// <param name="AnyOf">What will do: one good, or all that are as the recipe accepts them; none where nothing is.</param>
/// <param name="Amount">How much, above 0.</param>
/// <param name="Pointer">The part of the recipe that says so.</param>
/// <param name="IsOpen">True where the recipe says what is accepted, and names no good.</param>
public sealed record Ingredient(IReadOnlyList<Good> AnyOf, Rational Amount, string Pointer, bool IsOpen);

/// <summary>What a recipe makes.</summary>
/// <param name="Good">The good.</param>
/// <param name="Amount">How much, above 0.</param>
public sealed record Product(Good Good, Rational Amount);

/// <summary>A recipe of the stack.</summary>
/// <param name="From">Its entry.</param>
/// <param name="Id">Its id.</param>
/// <param name="Station">Where it is done.</param>
/// <param name="Order">Of two that the same things satisfy at one station, the higher is made.</param>
/// <param name="Minutes">How long it takes; 0 where that cannot be read.</param>
/// <param name="Uses">What it takes.</param>
/// <param name="Makes">What it makes.</param>
public sealed record Recipe(
    Placement From,
    string Id,
    string Station,
    double Order,
    double Minutes,
    IReadOnlyList<Ingredient> Uses,
    IReadOnlyList<Product> Makes);
