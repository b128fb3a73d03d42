using CsCheck;
using Underlay.Core.Recipes;

namespace Underlay.Core.Tests.Recipes;

/// <summary>Exact numbers.</summary>
public class RationalTests
{
    private static readonly Gen<Rational> Some = Gen.Select(Gen.Int[-50, 50], Gen.Int[1, 50]).Select(p => Rational.Of(p.Item1, p.Item2));

    [Theory]
    [InlineData(0.1, 1, 10)]
    [InlineData(-2.5, -5, 2)]
    [InlineData(1e-7, 1, 10_000_000)]
    [InlineData(3e5, 300_000, 1)]
    [InlineData(0, 0, 1)]
    public void A_decimal_number_is_what_it_is_written_as(double number, int numerator, int denominator) =>
        Assert.Equal(Rational.Of(numerator, denominator), Rational.Of(number));

    [Fact]
    public void They_are_added_and_multiplied_as_numbers_are() =>
        Gen.Select(Some, Some, Some).Sample(
            (a, b, c) =>
                (a + b) * c == (a * c) + (b * c)
                && a - a == Rational.Zero
                && (b.Sign == 0 || a / b * b == a)
                && Math.Sign(a.CompareTo(b)) == (a - b).Sign
                && Math.Abs(a.ToDouble() + b.ToDouble() - (a + b).ToDouble()) < 1e-12);

    [Fact]
    public void Numbers_too_large_for_binary_ones_still_come_near() =>
        Assert.Equal(
            2.0 / 3,
            Rational.Of(System.Numerics.BigInteger.Pow(10, 400) * 2, System.Numerics.BigInteger.Pow(10, 400) * 3).ToDouble(),
            1e-12);
}
