namespace Underlay.Core.Hosts;

/// <summary>What recipes take and make: one field of a part of a recipe that names a good.</summary>
/// <param name="Field">Pointer in the part to the name.</param>
/// <param name="Place">The place of entries with such ids, or null.</param>
/// <param name="Codebook">The codebook with such codes, or null.</param>
/// <param name="Price">
/// What one is sold for: pointer to a number of the entry, or the column of the codebook's table, whose codes with a price can be bought;
/// null where nothing tells.
/// </param>
public sealed record GoodRule(string Field, string? Place, string? Codebook, string? Price)
{
    /// <summary>The key of the place or the codebook.</summary>
    public string Of => Place ?? Codebook!;
}

/// <summary>Which entries of a host are recipes, and where they say what is made of what.</summary>
/// <param name="Recipes">The places of recipes.</param>
/// <param name="Station">Pointer to where it is done.</param>
/// <param name="Uses">Pointer to the list of what is taken.</param>
/// <param name="Makes">Pointer to the list of what is made.</param>
/// <param name="Amount">Pointer in a part to how much.</param>
/// <param name="Minutes">Pointer to how long it takes: a number, or text as 1h30.</param>
/// <param name="Order">Pointer to the number by which one of two recipes that the same things satisfy is chosen.</param>
/// <param name="Goods">What parts may name.</param>
/// <param name="Accepts">Pointer in a part to what any good has to be like: values of its fields, or their least and most.</param>
/// <param name="AcceptsOf">The place of the entries that may be like that.</param>
/// <param name="Basis">How it is known.</param>
public sealed record EconomyRule(
    IReadOnlyList<string> Recipes,
    string Station,
    string Uses,
    string Makes,
    string Amount,
    string Minutes,
    string Order,
    IReadOnlyList<GoodRule> Goods,
    string Accepts,
    string AcceptsOf,
    Basis Basis);
