using Underlay.Server.Entries;

namespace Underlay.Server.Economies;

/// <summary>What a piece costs by the cheapest way.</summary>
/// <param name="Price">In the host's coin.</param>
/// <param name="Minutes">Of all work that goes into it.</param>
/// <param name="Way">The path of the recipe that makes it; null where it is bought.</param>
internal sealed record CostView(double Price, double Minutes, string? Way);

/// <summary>What recipes take or make.</summary>
/// <param name="Key">By which recipes name it here.</param>
/// <param name="Path">Its entry; null for a code.</param>
/// <param name="IsThere">False for what is named and does not exist.</param>
/// <param name="IsBought">It can be bought.</param>
/// <param name="Sold">What it is sold for; null where nothing tells.</param>
/// <param name="Before">What it costs without the pack; null where it cannot be had.</param>
/// <param name="After">What it costs with the pack; null where it cannot be had.</param>
internal sealed record GoodView(
    string Key,
    string Id,
    string Title,
    string? Path,
    ShownPicture? Picture,
    bool IsYours,
    bool IsThere,
    bool IsBought,
    double? Sold,
    CostView? Before,
    CostView? After);

/// <summary>What a recipe takes or makes.</summary>
/// <param name="Shown">The key of what will do, the cheapest of it; null where nothing will do.</param>
/// <param name="Choices">How many goods will do.</param>
internal sealed record RecipePart(double Amount, string? Shown, int Choices);

/// <summary>A recipe.</summary>
/// <param name="Place">The key of its place.</param>
internal sealed record RecipeView(
    string Path,
    string Place,
    string Title,
    string Station,
    double Minutes,
    bool IsYours,
    IReadOnlyList<RecipePart> Uses,
    IReadOnlyList<RecipePart> Makes);

/// <summary>All goods and recipes of the pack over its base; empty where the host has no recipes.</summary>
internal sealed record EconomyView(long Revision, IReadOnlyList<GoodView> Goods, IReadOnlyList<RecipeView> Recipes);
