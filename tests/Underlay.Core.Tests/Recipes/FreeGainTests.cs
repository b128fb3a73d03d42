using CsCheck;
using Underlay.Core.Recipes;

namespace Underlay.Core.Tests.Recipes;

/// <summary>
/// What can be had for nothing is found, and where nothing can, prices prove it. Each answer is held against its own definition, in
/// exact numbers: a mix is run and counted, a proof is reckoned over for every recipe. There cannot be both.
/// </summary>
public class FreeGainTests
{
    [Fact]
    public void A_circle_that_grows_is_found_with_how_often_each_is_run()
    {
        var gain = Assert.Single(
            FreeGain.Find(
            [
                SomeEconomy.Recipe("press", [([0], 3)], (1, 1)),
                SomeEconomy.Recipe("break", [([1], 2)], (0, 7)),
                SomeEconomy.Recipe("aside", [([1], 1)], (2, 1)),
            ]).Gains);
        Assert.Equal(["press", "break"], gain.Runs.Select(r => r.Recipe.Id).Where(id => id != "aside"));
        AssertGains(gain);
    }

    [Fact]
    public void A_circle_that_comes_out_even_gives_nothing() =>
        Assert.Empty(
            FreeGain.Find([SomeEconomy.Recipe("press", [([0], 0.3)], (1, 0.1)), SomeEconomy.Recipe("break", [([1], 1)], (0, 3))]).Gains);

    [Fact]
    public void A_by_product_of_an_even_circle_is_had_for_nothing()
    {
        var gain = Assert.Single(
            FreeGain.Find(
                [SomeEconomy.Recipe("there", [([0], 1)], (1, 1), (5, 0.1)), SomeEconomy.Recipe("back", [([1], 1)], (0, 1))]).Gains);
        Assert.Equal(SomeEconomy.Number(5), Assert.Single(gain.Left).Good);
    }

    [Fact]
    public void What_a_recipe_accepts_is_taken_from_any_that_fit()
    {
        var gain = Assert.Single(
            FreeGain.Find([SomeEconomy.Recipe("any", [([0, 1], 1)], (2, 2)), SomeEconomy.Recipe("one", [([2], 1.5)], (1, 1))]).Gains);
        AssertGains(gain);
    }

    [Fact]
    public void What_takes_nothing_is_had_for_nothing() =>
        Assert.Single(FreeGain.Find([SomeEconomy.Recipe("well", [], (0, 1))]).Gains);

    [Fact]
    public void Economies_without_circles_give_nothing() =>
        SomeEconomy.WithoutCircles.Sample(recipes => FreeGain.Find(recipes).Gains.Count == 0);

    [Fact]
    public void Every_gain_is_one_and_every_proof_holds()
    {
        var (gains, proofs) = (0, 0);
        SomeEconomy.Any.Sample(
            recipes =>
            {
                var found = FreeGain.Find(recipes);
                foreach (var gain in found.Gains) AssertGains(gain);
                foreach (var proof in found.Proofs) AssertProves(proof);
                Interlocked.Add(ref gains, found.Gains.Count);
                Interlocked.Add(ref proofs, found.Proofs.Count);
            });
        Assert.True(gains > 20 && proofs > 20, $"{gains} gains and {proofs} proofs were seen");
    }

    [Fact]
    public void A_gain_that_is_put_into_any_economy_is_found() =>
        SomeEconomy.Any.Sample(
            recipes =>
            {
                var seeded = recipes
                    .Append(SomeEconomy.Recipe("seed", [([3], 1)], (4, 1)))
                    .Append(SomeEconomy.Recipe("grow", [([4], 1)], (3, 1.25)));
                Assert.NotEmpty(FreeGain.Find([.. seeded]).Gains);
            });

    /// <summary>Runs the mix: with the best choice of what is accepted, of nothing there is less, and of something more.</summary>
    private static void AssertGains(Gain gain)
    {
        Assert.NotEmpty(gain.Left);
        Assert.All(gain.Left, l => Assert.True(l.Amount.Sign > 0));
        var net = new Dictionary<Good, Rational>();
        var open = new List<(Ingredient Use, Rational Amount)>();
        foreach (var (recipe, times) in gain.Runs)
        {
            var n = Rational.Of(times, 1);
            foreach (var product in recipe.Makes) Add(product.Good, product.Amount * n);
            foreach (var use in recipe.Uses.Where(u => !u.IsOpen)) Add(use.AnyOf[0], -(use.Amount * n));
            open.AddRange(recipe.Uses.Where(u => u.IsOpen).Select(u => (u, u.Amount * n)));
        }

        // What is accepted among others was taken from what is there beyond what is left.
        var taken = net.ToDictionary(g => g.Key, g => g.Value - (gain.Left.FirstOrDefault(l => l.Good == g.Key)?.Amount ?? Rational.Zero));
        Assert.All(taken.Values, t => Assert.True(t.Sign >= 0));
        Assert.Equal(
            open.Aggregate(Rational.Zero, (sum, o) => sum + o.Amount),
            taken.Values.Aggregate(Rational.Zero, (sum, t) => sum + t));
        foreach (var good in taken.Where(t => t.Value.Sign > 0))
            Assert.Contains(open, o => o.Use.AnyOf.Contains(good.Key));

        void Add(Good good, Rational amount) => net[good] = net.GetValueOrDefault(good) + amount;
    }

    /// <summary>At the prices of a proof no recipe makes more than it takes, however it is run.</summary>
    private static void AssertProves(NoGain proof)
    {
        Assert.All(proof.Prices.Values, p => Assert.True(p.Sign > 0));
        foreach (var recipe in proof.Recipes)
        {
            var made = recipe.Makes.Aggregate(Rational.Zero, (sum, m) => sum + (m.Amount * Price(m.Good)));
            // Of what is accepted only what the part makes can be taken.
            var takes = recipe.Uses.Select(u => u.Amount * u.AnyOf.Where(g => !u.IsOpen || proof.Prices.ContainsKey(g)).Min(Price));
            Assert.True(made <= takes.Aggregate(Rational.Zero, (sum, t) => sum + t), recipe.Id);
        }

        Rational Price(Good good) => proof.Prices.TryGetValue(good, out var price) ? price : Rational.One;
    }
}
