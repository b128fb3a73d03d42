using CsCheck;
using Underlay.Core.Recipes;
using Underlay.Core.Stacks;

namespace Underlay.Core.Tests.Recipes;

/// <summary>Economies made up by a generator: recipes over a handful of codes, without a stack around them.</summary>
internal static class SomeEconomy
{
    private static readonly Placement Nowhere =
        APack.Of().WithSurface("saltbrook_reef", Picture.Of(32, 32)).Check().Overlay!.Pack.Placements[0];

    /// <summary>Recipes that take one or two of eight goods and make one or two.</summary>
    public static Gen<List<Recipe>> Any { get; } = Recipes(Gen.Int[0, 7], Gen.Int[0, 7]);

    /// <summary>Recipes that make only what stands behind all that they take, so that nothing comes round.</summary>
    public static Gen<List<Recipe>> WithoutCircles { get; } = Recipes(Gen.Int[0, 4], Gen.Int[0, 2])
        .Select(
            recipes =>
                recipes.ConvertAll(
                    r => r with
                    {
                        Makes =
                        [
                            .. r.Makes.Select(
                                m => m with
                                {
                                    Good = Number(
                                        r.Uses.SelectMany(u => u.AnyOf).Max(g => int.Parse(g.Id, Culture))
                                            + 1
                                            + int.Parse(m.Good.Id, Culture)),
                                }),
                        ],
                    }));

    public static Good Number(int number) => new("goods", number.ToString(Culture));

    public static Recipe Recipe(string id, (int[] AnyOf, double Amount)[] uses, params (int Good, double Amount)[] makes) => new(
        Nowhere,
        id,
        "bench",
        0,
        10,
        [
            .. uses.Select(
                (u, i) => new Ingredient([.. u.AnyOf.Distinct().Select(Number)], Rational.Of(u.Amount), $"/{id}/{i}", u.AnyOf.Length > 1)),
        ],
        [.. makes.Select(m => new Product(Number(m.Good), Rational.Of(m.Amount)))]);

    private static System.Globalization.CultureInfo Culture => System.Globalization.CultureInfo.InvariantCulture;

    private static Gen<List<Recipe>> Recipes(Gen<int> taken, Gen<int> made)
    {
        var amount = Gen.Int[1, 12].Select(n => n / 4.0);
        var use = Gen.Select(taken.Array[1, 2], amount);
        var make = Gen.Select(made, amount);
        return Gen.Select(use.Array[1, 2], make.Array[1, 2])
            .List[1, 12]
            .Select(list => list.Select((r, i) => Recipe($"r{i}", r.Item1, r.Item2)).ToList());
    }
}
