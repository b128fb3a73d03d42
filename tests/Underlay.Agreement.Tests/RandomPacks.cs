using CsCheck;
using Underlay.Testing;

namespace Underlay.Agreement.Tests;

/// <summary>
/// The random packs of the day, which are made and judged once, for every test that says something of each.
/// </summary>
/// <param name="gen">What makes one.</param>
/// <param name="stream">Packs of one stream are others than those of another.</param>
/// <param name="count">How many.</param>
/// <param name="judge">What is asked of each.</param>
internal sealed class RandomPacks<T, TJudged>(Gen<T> gen, uint stream, int count, Func<T, TJudged> judge)
{
    private readonly Lazy<IReadOnlyList<TJudged>> all = new(() =>
    {
        var judged = new TJudged[count];
        // Each has a random number generator of its own: which thread makes it is of no account.
        Parallel.For(0, count, i => judged[i] = judge(gen.Generate(new PCG(stream, (DaySeed.Value * 1_000_003UL) + (uint)i), null, out _)));
        return judged;
    });

    /// <summary>What was asked of each, in their order.</summary>
    public IReadOnlyList<TJudged> All => all.Value;
}
