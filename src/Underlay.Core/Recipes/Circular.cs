namespace Underlay.Core.Recipes;

/// <summary>
/// Leaves out what no circle can go through: what takes something that nothing left makes, and what makes only what nothing left
/// takes, over and over, in time linear in what is taken and made.
/// </summary>
/// <remarks>In most economies nothing is left, and what is worked out of circles is worked out of nothing.</remarks>
internal static class Circular
{
    /// <summary>What is left, in the order it came in.</summary>
    /// <param name="all">What takes and makes goods.</param>
    /// <param name="takes">What one takes.</param>
    /// <param name="gives">What one makes.</param>
    public static IReadOnlyList<T> Of<T>(IReadOnlyList<T> all, Func<T, IEnumerable<Good>> takes, Func<T, IEnumerable<Good>> gives)
    {
        var goods = new Dictionary<Good, Trade>();
        var taken = all.Select(one => takes(one).Select(TradeOf).ToArray()).ToArray();
        var given = all.Select(one => gives(one).Select(TradeOf).ToArray()).ToArray();
        for (var i = 0; i < all.Count; i++)
        {
            foreach (var good in taken[i]) good.Takers.Add(i);
            foreach (var good in given[i]) good.Makers.Add(i);
        }

        var isOut = new bool[all.Count];
        var toLookAt = new Stack<int>(Enumerable.Range(0, all.Count));
        while (toLookAt.TryPop(out var i))
        {
            if (isOut[i] || (taken[i].All(g => g.Made > 0) && given[i].Any(g => g.Taken > 0))) continue;
            isOut[i] = true;
            foreach (var good in taken[i])
                if (++good.TakersOut == good.Takers.Count) Look(good.Makers);
            foreach (var good in given[i])
                if (++good.MakersOut == good.Makers.Count) Look(good.Takers);
        }

        return [.. all.Where((_, i) => !isOut[i])];

        Trade TradeOf(Good good) => goods.TryGetValue(good, out var known) ? known : goods[good] = new Trade();

        void Look(List<int> at)
        {
            foreach (var i in at) toLookAt.Push(i);
        }
    }

    /// <summary>Who takes and who makes a good, and how many of them are out.</summary>
    private sealed class Trade
    {
        public List<int> Takers { get; } = [];

        public List<int> Makers { get; } = [];

        public int TakersOut { get; set; }

        public int MakersOut { get; set; }

        public int Taken => Takers.Count - TakersOut;

        public int Made => Makers.Count - MakersOut;
    }
}
