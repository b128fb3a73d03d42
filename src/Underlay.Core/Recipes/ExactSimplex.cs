namespace Underlay.Core.Recipes;

/// <summary>What a linear programme comes to.</summary>
/// <param name="Most">The largest value.</param>
/// <param name="Values">The variables that give it.</param>
/// <param name="Prices">For each limit, what one more of it would be worth: the proof that there is no more (the dual solution).</param>
internal sealed record Optimum(Rational Most, Rational[] Values, Rational[] Prices);

/// <summary>
/// The simplex method (Dantzig) in exact numbers, with the rule of the smallest index (Bland), under which it always ends.
/// </summary>
internal static class ExactSimplex
{
    /// <summary>Maximises a sum of variables that are not below 0, within limits that are not below 0.</summary>
    /// <param name="worth">What one of each variable is worth.</param>
    /// <param name="rows">For each limit, how much of it one of each variable takes.</param>
    /// <param name="limits">The limits, 0 or more. The programme has to be bounded.</param>
    /// <exception cref="InvalidOperationException">The sum has no largest value.</exception>
    public static Optimum Maximise(Rational[] worth, Rational[][] rows, Rational[] limits)
    {
        var (variables, height) = (worth.Length, rows.Length);
        var width = variables + height;
        // Each row ends with its limit; the last row is what is still to be gained, negated where it pays.
        var table = new Rational[height + 1][];
        for (var i = 0; i < height; i++)
        {
            table[i] = new Rational[width + 1];
            rows[i].CopyTo(table[i], 0);
            table[i][variables + i] = Rational.One;
            table[i][width] = limits[i];
        }

        var gain = table[height] = new Rational[width + 1];
        for (var j = 0; j < variables; j++) gain[j] = -worth[j];
        var basis = Enumerable.Range(variables, height).ToArray();
        while (Array.FindIndex(gain, 0, width, g => g.Sign < 0) is var enters and >= 0)
        {
            var leaves = Leaving(table, basis, enters, width);
            if (leaves < 0) throw new InvalidOperationException("The programme is not bounded.");
            basis[leaves] = enters;
            Pivot(table, leaves, enters);
        }

        var values = new Rational[variables];
        for (var i = 0; i < height; i++)
            if (basis[i] < variables) values[basis[i]] = table[i][width];
        return new Optimum(gain[width], values, gain[variables..width]);
    }

    private static int Leaving(Rational[][] table, int[] basis, int enters, int width)
    {
        var leaves = -1;
        var least = Rational.Zero;
        for (var i = 0; i < basis.Length; i++)
        {
            if (table[i][enters].Sign <= 0) continue;
            var ratio = table[i][width] / table[i][enters];
            if (leaves >= 0 && (ratio > least || (ratio == least && basis[i] > basis[leaves]))) continue;
            (leaves, least) = (i, ratio);
        }

        return leaves;
    }

    private static void Pivot(Rational[][] table, int row, int column)
    {
        var pivot = table[row];
        var by = pivot[column];
        var there = new List<int>();
        for (var j = 0; j < pivot.Length; j++)
        {
            if (pivot[j].Sign == 0) continue;
            pivot[j] /= by;
            there.Add(j);
        }

        for (var i = 0; i < table.Length; i++)
        {
            if (i == row || table[i][column] is var share && share.Sign == 0) continue;
            foreach (var j in there) table[i][j] -= share * pivot[j];
        }
    }
}
