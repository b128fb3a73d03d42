using System.Numerics;
using QuikGraph;
using QuikGraph.Algorithms;

namespace Underlay.Core.Recipes;

/// <summary>
/// Finds out whether any mix of recipes gives more of everything than it takes, exactly. Where one does, one does within a strongly
/// connected part of the graph of recipes and goods; so each part is a linear programme of its own: run its recipes so that of
/// nothing there is less, and as much as can be is left. Either something is, or the dual solution is prices that prove there is no
/// such mix.
/// </summary>
public static class FreeGain
{
    /// <summary>What can be had for nothing, one mix for each part, and the proofs for the parts in which nothing can.</summary>
    /// <param name="recipes">The recipes.</param>
    public static (IReadOnlyList<Gain> Gains, IReadOnlyList<NoGain> Proofs) Find(IReadOnlyList<Recipe> recipes)
    {
        var (gains, proofs) = (new List<Gain>(), new List<NoGain>());
        foreach (var recipe in recipes.Where(r => r is { Uses.Count: 0, Makes.Count: > 0 }))
            gains.Add(new Gain([(recipe, BigInteger.One)], recipe.Makes));
        foreach (var part in Parts(Column.Of(recipes.Where(r => r.Uses.Count > 0))))
        {
            var goods = part.SelectMany(c => c.Takes).Select(t => t.Good).Distinct().ToList();
            var optimum = Solve(part, goods);
            if (optimum.Most.Sign > 0) gains.Add(GainOf(part, optimum.Values));
            else
                proofs.Add(
                    new NoGain(
                        [.. part.Select(c => c.Recipe).OfType<Recipe>()],
                        goods
                            .Zip(optimum.Prices)
                            .Where(p => !Column.IsOpen(p.First))
                            .ToDictionary(p => p.First, p => p.Second + Rational.One)));
        }

        return (gains, proofs);
    }

    private static Optimum Solve(List<Column> part, List<Good> goods)
    {
        var rows = goods.Select(g => part.Select(c => -c.NetOf(g)).ToArray()).Append([.. part.Select(_ => Rational.One)]).ToArray();
        var limits = goods.Select(_ => Rational.Zero).Append(Rational.One).ToArray();
        return ExactSimplex.Maximise([.. part.Select(c => c.Worth)], rows, limits);
    }

    private static Gain GainOf(List<Column> part, Rational[] runs)
    {
        var denominator = runs.Aggregate(
            BigInteger.One,
            (all, r) => all / BigInteger.GreatestCommonDivisor(all, r.Denominator) * r.Denominator);
        var whole = runs.Select(r => r.Numerator * (denominator / r.Denominator)).ToList();
        var shared = whole.Aggregate(BigInteger.Zero, BigInteger.GreatestCommonDivisor);
        var ran = part.Zip(whole, (column, times) => (Column: column, Times: times / shared)).Where(r => !r.Times.IsZero).ToList();
        var left = ran
            .SelectMany(r => r.Column.Takes.Concat(r.Column.Gives).Select(g => g.Good))
            .Distinct()
            .Where(g => !Column.IsOpen(g))
            .Select(g => new Product(g, ran.Aggregate(Rational.Zero, (sum, r) => sum + (r.Column.NetOf(g) * Rational.Of(r.Times, 1)))))
            .Where(p => p.Amount.Sign > 0);
        return new Gain([.. ran.Where(r => r.Column.Recipe is not null).Select(r => (r.Column.Recipe!, r.Times))], [.. left]);
    }

    /// <summary>The columns of each strongly connected part whose every good is made in it.</summary>
    private static IEnumerable<List<Column>> Parts(List<Column> columns)
    {
        var graph = new AdjacencyGraph<object, SEdge<object>>(allowParallelEdges: true);
        foreach (var column in Circular.Of(columns, c => c.Takes.Select(t => t.Good), c => c.Gives.Select(g => g.Good)))
        {
            graph.AddVerticesAndEdgeRange(column.Takes.Select(t => new SEdge<object>(t.Good, column)));
            graph.AddVerticesAndEdgeRange(column.Gives.Select(g => new SEdge<object>(column, g.Good)));
        }

        var components = new Dictionary<object, int>();
        graph.StronglyConnectedComponents(components);
        foreach (var part in columns.Where(components.ContainsKey).GroupBy(c => components[c]))
        {
            var left = part.ToList();
            // What takes something that nothing in the part makes takes it from outside.
            while (left.SelectMany(c => c.Gives).Select(g => g.Good).ToHashSet() is var made
                && left.RemoveAll(c => !c.Takes.All(t => made.Contains(t.Good))) > 0)
                continue;
            if (left.Count > 0) yield return left;
        }
    }

    /// <summary>
    /// A variable of the programme: a recipe, or what turns a good into one that a recipe accepts among others. What is accepted among
    /// others is a good of its own, worth nothing by itself.
    /// </summary>
    private sealed class Column(
        Recipe? recipe,
        IReadOnlyList<(Good Good, Rational Amount)> takes,
        IReadOnlyList<(Good Good, Rational Amount)> gives)
    {
        private const string Accepted = "\0accepted";

        public Recipe? Recipe => recipe;

        public IReadOnlyList<(Good Good, Rational Amount)> Takes => takes;

        public IReadOnlyList<(Good Good, Rational Amount)> Gives => gives;

        /// <summary>How much more there is of all goods together.</summary>
        public Rational Worth { get; } = Sum(gives) - Sum(takes);

        public static bool IsOpen(Good good) => good.Of == Accepted;

        public static List<Column> Of(IEnumerable<Recipe> recipes)
        {
            var columns = new List<Column>();
            // What several recipes accept alike is one good for all of them.
            var opened = new Dictionary<IReadOnlyList<Good>, Good>(ReferenceEqualityComparer.Instance);
            foreach (var recipe in recipes)
            {
                var takes = recipe.Uses.Select(u => (u.IsOpen ? Open(u.AnyOf) : u.AnyOf[0], u.Amount)).ToList();
                columns.Add(new Column(recipe, takes, [.. recipe.Makes.Select(m => (m.Good, m.Amount))]));
            }

            return columns;

            Good Open(IReadOnlyList<Good> anyOf)
            {
                if (opened.TryGetValue(anyOf, out var known)) return known;
                var good = new Good(Accepted, opened.Count.ToString(System.Globalization.CultureInfo.InvariantCulture));
                foreach (var fit in anyOf) columns.Add(new Column(null, [(fit, Rational.One)], [(good, Rational.One)]));
                return opened[anyOf] = good;
            }
        }

        public Rational NetOf(Good good) => Of(gives, good) - Of(takes, good);

        private static Rational Of(IReadOnlyList<(Good Good, Rational Amount)> parts, Good good) =>
            parts.Where(p => p.Good == good).Aggregate(Rational.Zero, (sum, p) => sum + p.Amount);

        private static Rational Sum(IReadOnlyList<(Good Good, Rational Amount)> parts) =>
            parts.Where(p => !IsOpen(p.Good)).Aggregate(Rational.Zero, (sum, p) => sum + p.Amount);
    }
}
