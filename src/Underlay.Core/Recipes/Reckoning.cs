using System.IO.Hashing;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using Underlay.Core.Hosts;

namespace Underlay.Core.Recipes;

/// <summary>
/// What follows from recipes and what can be bought for them, each worked out when it is first asked for. What was reckoned lately
/// is handed out again for the same recipes, so that a change of anything else costs nothing of it.
/// </summary>
public sealed class Reckoning
{
    private const int MostKept = 4;

    // For each host; the one asked for last comes first.
    private static readonly ConditionalWeakTable<EconomyRule, LinkedList<(UInt128 Key, Reckoning Reckoning)>> Lately = [];

    private readonly Lazy<IReadOnlyList<Gain>> gains;
    private readonly Lazy<IReadOnlyDictionary<Good, Cost>> costs;
    private readonly Lazy<IReadOnlyList<Clash>> clashes;
    private readonly Lazy<IReadOnlySet<Good>> reachable;

    private Reckoning(IReadOnlyDictionary<Good, double> bought, IReadOnlyList<Recipe> recipes, IReadOnlyList<Recipe> leftOut)
    {
        gains = new Lazy<IReadOnlyList<Gain>>(() => FreeGain.Find(recipes).Gains);
        costs = new Lazy<IReadOnlyDictionary<Good, Cost>>(() => Recipes.Costs.Of(bought, recipes));
        clashes = new Lazy<IReadOnlyList<Clash>>(() => [.. Clash.In(recipes)]);
        reachable = new Lazy<IReadOnlySet<Good>>(() => Recipes.Reachable.From(bought.Keys, [.. recipes, .. leftOut]));
    }

    /// <summary>Mixes of recipes that give something for nothing.</summary>
    public IReadOnlyList<Gain> Gains => gains.Value;

    /// <summary>What a piece of each good costs by the cheapest way.</summary>
    public IReadOnlyDictionary<Good, Cost> Costs => costs.Value;

    /// <summary>Recipes that the same things satisfy.</summary>
    public IReadOnlyList<Clash> Clashes => clashes.Value;

    /// <summary>What can be had at all, once recipes that are left out are mended.</summary>
    public IReadOnlySet<Good> Reachable => reachable.Value;

    /// <summary>What follows from the recipes of an economy.</summary>
    internal static Reckoning Of(Economy economy)
    {
        if (economy.Rule is not { } rule) return new Reckoning(economy.Bought, economy.Recipes, economy.LeftOut);
        var key = KeyOf(economy);
        var kept = Lately.GetOrCreateValue(rule);
        lock (kept)
        {
            var known = kept.FirstOrDefault(k => k.Key == key);
            if (known.Reckoning is not null) kept.Remove(known);
            else known = (key, new Reckoning(economy.Bought, economy.Recipes, economy.LeftOut));
            kept.AddFirst(known);
            if (kept.Count > MostKept) kept.RemoveLast();
            return known.Reckoning;
        }
    }

    /// <summary>A hash of all that counts: files and bytes of recipes, what the open ones accept, and what is bought.</summary>
    private static UInt128 KeyOf(Economy economy)
    {
        var hash = new XxHash128();
        foreach (var recipe in economy.Recipes.Append(null).Concat(economy.LeftOut))
        {
            Add(hash, recipe?.From.Path.Value ?? "");
            if (recipe is null) continue;
            Add(hash, recipe.From.Facts.Hash.Hex);
            hash.Append(BitConverter.GetBytes(recipe.From.Layer.Height));
            foreach (var use in recipe.Uses.Where(u => u.IsOpen))
            {
                foreach (var good in use.AnyOf) Add(hash, good.Id);
                Add(hash, "");
            }
        }

        foreach (var (good, price) in economy.Bought)
        {
            Add(hash, good.Of);
            Add(hash, good.Id);
            hash.Append(BitConverter.GetBytes(price));
        }

        return hash.GetCurrentHashAsUInt128();
    }

    /// <summary>A name with an end, so that two of them are not taken for one.</summary>
    private static void Add(XxHash128 hash, string name)
    {
        hash.Append(MemoryMarshal.AsBytes(name.AsSpan()));
        hash.Append([0, 0]);
    }
}
