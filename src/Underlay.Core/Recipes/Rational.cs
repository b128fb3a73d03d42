using System.Globalization;
using System.Numerics;

namespace Underlay.Core.Recipes;

/// <summary>A number that is exact: a whole one over another, in lowest terms, the lower one above 0.</summary>
public readonly struct Rational : IEquatable<Rational>, IComparable<Rational>
{
    private readonly BigInteger over;

    private Rational(BigInteger numerator, BigInteger denominator)
    {
        Numerator = numerator;
        over = denominator - 1;
    }

    /// <summary>0.</summary>
    public static Rational Zero => default;

    /// <summary>1.</summary>
    public static Rational One { get; } = new(1, 1);

    /// <summary>The upper number, with the sign.</summary>
    public BigInteger Numerator { get; }

    /// <summary>The lower number, above 0.</summary>
    public BigInteger Denominator => over + 1;

    /// <summary>-1, 0 or 1.</summary>
    public int Sign => Numerator.Sign;

    /// <summary>A whole number over another that is not 0.</summary>
    public static Rational Of(BigInteger numerator, BigInteger denominator)
    {
        if (denominator.Sign < 0) (numerator, denominator) = (-numerator, -denominator);
        var shared = BigInteger.GreatestCommonDivisor(numerator, denominator);
        return shared.IsOne ? new Rational(numerator, denominator) : new Rational(numerator / shared, denominator / shared);
    }

    /// <summary>The number that a decimal one is written as: 0.1 is a tenth, which no binary number is.</summary>
    /// <param name="number">A finite number; its shortest decimal form counts.</param>
    public static Rational Of(double number)
    {
        var parts = number.ToString("R", CultureInfo.InvariantCulture).Split('E');
        var point = parts[0].IndexOf('.', StringComparison.Ordinal);
        var exponent = (parts.Length > 1 ? int.Parse(parts[1], CultureInfo.InvariantCulture) : 0)
            - (point < 0 ? 0 : parts[0].Length - point - 1);
        var digits = BigInteger.Parse(parts[0].Replace(".", "", StringComparison.Ordinal), CultureInfo.InvariantCulture);
        var scale = BigInteger.Pow(10, Math.Abs(exponent));
        return exponent >= 0 ? Of(digits * scale, 1) : Of(digits, scale);
    }

    /// <summary>A binary number near it; too large ones come out as infinite.</summary>
    public double ToDouble()
    {
        // Both parts may be too large for a binary number of which the quotient is none.
        var excess = (int)Math.Max(0, Math.Max(Numerator.GetBitLength(), Denominator.GetBitLength()) - 1000);
        return (double)(Numerator >> excess) / (double)(Denominator >> excess);
    }

    /// <inheritdoc/>
    public bool Equals(Rational other) => Numerator == other.Numerator && over == other.over;

    /// <inheritdoc/>
    public override bool Equals(object? obj) => obj is Rational other && Equals(other);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Numerator, over);

    /// <inheritdoc/>
    public int CompareTo(Rational other) => (Numerator * other.Denominator).CompareTo(other.Numerator * Denominator);

    /// <inheritdoc/>
    public override string ToString() =>
        Denominator.IsOne ? Numerator.ToString(CultureInfo.InvariantCulture) : $"{Numerator}/{Denominator}";

    /// <summary>The sum.</summary>
    public static Rational operator +(Rational a, Rational b) =>
        a.Numerator.IsZero
            ? b
            : b.Numerator.IsZero
            ? a
            : Of((a.Numerator * b.Denominator) + (b.Numerator * a.Denominator), a.Denominator * b.Denominator);

    /// <summary>The difference.</summary>
    public static Rational operator -(Rational a, Rational b) => a + -b;

    /// <summary>The number with the other sign.</summary>
    public static Rational operator -(Rational a) => new(-a.Numerator, a.Denominator);

    /// <summary>The product.</summary>
    public static Rational operator *(Rational a, Rational b) =>
        a.Numerator.IsZero || b.Numerator.IsZero ? Zero : Of(a.Numerator * b.Numerator, a.Denominator * b.Denominator);

    /// <summary>The quotient.</summary>
    /// <exception cref="DivideByZeroException">The divisor is 0.</exception>
    public static Rational operator /(Rational a, Rational b) =>
        b.Numerator.IsZero ? throw new DivideByZeroException() : Of(a.Numerator * b.Denominator, a.Denominator * b.Numerator);

    /// <summary>Compares sizes.</summary>
    public static bool operator <(Rational a, Rational b) => a.CompareTo(b) < 0;

    /// <summary>Compares sizes.</summary>
    public static bool operator >(Rational a, Rational b) => a.CompareTo(b) > 0;

    /// <summary>Compares sizes.</summary>
    public static bool operator <=(Rational a, Rational b) => a.CompareTo(b) <= 0;

    /// <summary>Compares sizes.</summary>
    public static bool operator >=(Rational a, Rational b) => a.CompareTo(b) >= 0;

    /// <summary>Tells whether two are the same number.</summary>
    public static bool operator ==(Rational a, Rational b) => a.Equals(b);

    /// <summary>Tells whether two are different numbers.</summary>
    public static bool operator !=(Rational a, Rational b) => !a.Equals(b);
}
