using System.Globalization;
using Underlay.Core.Recipes;
using Underlay.Core.Stacks;
using Underlay.Testing;

namespace Underlay.Bench;

/// <summary>Times what is computed of recipes, in made-up economies of three kinds.</summary>
internal static class EconomyTable
{
    private const int Runs = 5;

    private static readonly Placement Nowhere =
        APack.Of()
            .WithSurface("saltbrook_reef", Picture.Of(32, 32))
            .Check()
            .Overlay!.Pack.In(Repository.Kilnmoor.Place("surfaces"))
            .First();

    /// <summary>Prints a row for each kind.</summary>
    public static void Print(int recipes, TextWriter output)
    {
        output.WriteLine("| recipes | largest circle | free gain | found | costs | reachable |");
        output.WriteLine("|---|---:|---:|---:|---:|---:|");
        foreach (var (name, economy) in new[]
                 {
                     ("in layers, nothing comes round", Make(recipes, circles: 0, reach: 40)),
                     ("in layers, one in twenty goes back a little", Make(recipes, circles: 20, reach: 40)),
                     ("in layers, one in twenty goes back to anywhere", Make(recipes, circles: 20, reach: recipes)),
                 })
        {
            var bought = Enumerable.Range(0, 10).ToDictionary(Number, n => 1.0 + n);
            var (gains, proofs) = FreeGain.Find(economy);
            var largest = proofs.Select(p => p.Recipes.Count).Concat(gains.Select(g => g.Runs.Count)).DefaultIfEmpty(0).Max();
            output.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {economy.Count} {name} | {largest} | {Timing.Middle(Runs, () => FreeGain.Find(economy)):F0} | {gains.Count} ")
                + string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {Timing.Middle(Runs, () => Costs.Of(bought, economy)):F0} ")
                + string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {Timing.Middle(Runs, () => Reachable.From(bought.Keys, economy)):F1} |"));
        }
    }

    /// <summary>
    /// Each recipe makes a good of one or two a little before it; one in so many makes one that lies before, within reach, and loses on
    /// the way, so that what comes round is no gain.
    /// </summary>
    private static List<Recipe> Make(int count, int circles, int reach)
    {
        var random = new Random(count + circles + reach);
        var list = new List<Recipe>();
        var good = 9;
        for (var i = 0; i < count; i++)
        {
            // One in so many goes back, beside the recipes that make each good.
            var goesBack = circles > 0 && i % circles == circles - 1;
            if (!goesBack) good++;
            var uses = Enumerable.Range(0, goesBack ? 1 : 1 + random.Next(2))
                .Select(_ => Math.Max(0, good - 1 - random.Next(8)))
                .Distinct()
                .Select((g, n) => new Ingredient([Number(g)], Rational.Of(1 + (random.Next(8) / 4.0)), $"/uses/{n}", IsOpen: false))
                .ToList();
            var makes = goesBack ? Math.Max(0, good - 8 - random.Next(Math.Min(reach, good))) : good;
            list.Add(
                new Recipe(Nowhere, $"r{i}", "bench", 0, 10, uses, [new Product(Number(makes), Rational.Of(goesBack ? 0.25 : 1))]));
        }

        return list;
    }

    private static Good Number(int number) => new("goods", number.ToString(CultureInfo.InvariantCulture));
}
