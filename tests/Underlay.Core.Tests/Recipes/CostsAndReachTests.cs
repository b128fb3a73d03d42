using CsCheck;
using Underlay.Core.Recipes;

namespace Underlay.Core.Tests.Recipes;

/// <summary>What can be had of what can be bought, and what it costs.</summary>
public class CostsAndReachTests
{
    private static readonly Gen<(List<Recipe> Recipes, Dictionary<Good, double> Bought)> Some = Gen.Select(
        SomeEconomy.Any,
        Gen.Int[0, 7].Array[1, 3],
        (recipes, bought) => (recipes, bought.Distinct().ToDictionary(SomeEconomy.Number, b => 1.0 + b)));

    [Fact]
    public void What_can_be_had_is_what_a_plain_fixpoint_finds() =>
        Some.Sample(
            some =>
            {
                var had = some.Bought.Keys.ToHashSet();
                for (var before = -1; before < had.Count;)
                {
                    before = had.Count;
                    had.UnionWith(
                        some.Recipes.Where(r => r.Uses.All(u => u.AnyOf.Any(had.Contains))).SelectMany(r => r.Makes).Select(m => m.Good));
                }

                Assert.True(had.SetEquals(Reachable.From(some.Bought.Keys, some.Recipes)));
            });

    [Fact]
    public void Exactly_what_can_be_had_has_a_cost() =>
        Some.Sample(
            some =>
                Reachable.From(some.Bought.Keys, some.Recipes).SetEquals(Costs.Of(some.Bought, some.Recipes).Keys));

    [Fact]
    public void No_recipe_makes_anything_cheaper_than_its_cost() =>
        Gen.Select(SomeEconomy.WithoutCircles, Gen.Int[0, 4].Array[1, 3]).Sample(
            (recipes, bought) =>
            {
                var costs = Costs.Of(bought.Distinct().ToDictionary(SomeEconomy.Number, b => 1.0 + b), recipes);
                foreach (var recipe in recipes)
                    if (Costs.OfRun(recipe, costs) is { } run)
                        foreach (var product in recipe.Makes)
                            Assert.True(
                                costs[product.Good].Price <= run.Price / recipe.Makes.Sum(m => m.Amount.ToDouble()) * (1 + 1e-9),
                                recipe.Id);
                // Each is made by a way whose own cost it is.
                foreach (var (good, cost) in costs.Where(c => c.Value.Way is not null))
                    Assert.Equal(
                        Costs.OfRun(cost.Way!, costs)!.Value.Price / cost.Way!.Makes.Sum(m => m.Amount.ToDouble()),
                        cost.Price,
                        1e-9);
            });

    [Fact]
    public void A_ware_costs_the_cheapest_of_what_its_recipe_accepts_and_takes_the_time_of_all_that_goes_into_it()
    {
        var costs = Costs.Of(
            new Dictionary<Good, double> { [SomeEconomy.Number(0)] = 5, [SomeEconomy.Number(1)] = 3 },
            [SomeEconomy.Recipe("mix", [([0, 1], 2)], (2, 4)), SomeEconomy.Recipe("turn", [([2], 1), ([0], 1)], (3, 1))]);
        Assert.Equal((1.5, 2.5), (costs[SomeEconomy.Number(2)].Price, costs[SomeEconomy.Number(2)].Minutes));
        Assert.Equal((6.5, 12.5), (costs[SomeEconomy.Number(3)].Price, costs[SomeEconomy.Number(3)].Minutes));
    }

    [Fact]
    public void What_is_had_for_nothing_does_not_keep_costs_from_coming_to_an_end() =>
        Assert.NotEmpty(
            Costs.Of(
                new Dictionary<Good, double> { [SomeEconomy.Number(0)] = 5 },
                [SomeEconomy.Recipe("grow", [([0], 1)], (1, 2)), SomeEconomy.Recipe("back", [([1], 1)], (0, 2))]));
}
