using System.Globalization;
using System.Numerics;
using Underlay.Core.Images;

namespace Underlay.Core.Hosts.Rules;

/// <summary>What is wrong with a size, the most telling first.</summary>
public enum SizeFault
{
    /// <summary>A side is no power of two.</summary>
    NotPowerOfTwo,

    /// <summary>A side is no multiple of the step.</summary>
    NotAMultiple,

    /// <summary>A side lies outside its range, or the sides differ where a square is wanted.</summary>
    OutOfRange,
}

/// <summary>The sides that a picture may have, in pixels.</summary>
/// <param name="Width">The least and the most width.</param>
/// <param name="Height">The least and the most height.</param>
/// <param name="Square">Whether both sides are the same.</param>
/// <param name="PowerOfTwo">Whether both sides are powers of two.</param>
/// <param name="MultipleOf">Both sides are multiples of this; 1 for any.</param>
/// <param name="LongSide">The least and the most of the longer side.</param>
/// <param name="Slimmest">The least share of the longer side that the shorter has, as "3:4"; 0:1 for any.</param>
/// <param name="Else">What comes of another size.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SizeRule(
    (int Least, int Most) Width,
    (int Least, int Most) Height,
    bool Square,
    bool PowerOfTwo,
    int MultipleOf,
    (int Least, int Most) LongSide,
    (int Short, int Long) Slimmest,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions)
{
    /// <summary>What is wrong with a size, or null when it is allowed.</summary>
    public SizeFault? Judge(PixelSize size)
    {
        if (PowerOfTwo && !(BitOperations.IsPow2(size.Width) && BitOperations.IsPow2(size.Height))) return SizeFault.NotPowerOfTwo;
        if (size.Width % MultipleOf != 0 || size.Height % MultipleOf != 0) return SizeFault.NotAMultiple;
        var inside = size.Width >= Width.Least && size.Width <= Width.Most && size.Height >= Height.Least && size.Height <= Height.Most;
        var (shorter, longer) = size.Width < size.Height ? (size.Width, size.Height) : (size.Height, size.Width);
        var shapely = longer >= LongSide.Least && longer <= LongSide.Most && (long)shorter * Slimmest.Long >= (long)longer * Slimmest.Short;
        return inside && shapely && (!Square || size.Width == size.Height) ? null : SizeFault.OutOfRange;
    }

    /// <summary>True when one size alone is allowed.</summary>
    public bool IsExact => Width.Least == Width.Most && Height.Least == Height.Most;

    /// <summary>The allowed size that is nearest to a size.</summary>
    public PixelSize Nearest(PixelSize size)
    {
        if (Square)
        {
            var side = NearestSide((size.Width + size.Height + 1) / 2, Width);
            return new PixelSize(side, side);
        }

        if (Slimmest.Short > 0) return NearestShape(size);
        // What is too large or too small is scaled as a whole: a picture keeps its shape as far as the sides allow.
        var scale = ScaleInto(size);
        return new PixelSize(NearestSide(size.Width * scale, Width), NearestSide(size.Height * scale, Height));
    }

    /// <summary>The factor nearest to 1 that brings a side, or both where that can be, into their ranges.</summary>
    private double ScaleInto(PixelSize size)
    {
        var (least, most) = Factors(size.Width, Width);
        var (leastHigh, mostHigh) = Factors(size.Height, Height);
        // The height decides where both cannot be had: widths mostly have the wider range.
        if (Math.Max(least, leastHigh) > Math.Min(most, mostHigh)) return Math.Clamp(1, leastHigh, mostHigh);
        return Math.Clamp(1, Math.Max(least, leastHigh), Math.Min(most, mostHigh));
    }

    private static (double Least, double Most) Factors(int side, (int Least, int Most) range) =>
        ((double)range.Least / side, (double)range.Most / side);

    /// <summary>The longer side brought into its range, the shorter one along with it and no slimmer than allowed.</summary>
    private PixelSize NearestShape(PixelSize size)
    {
        var longer = Math.Max(size.Width, size.Height);
        var side = Math.Clamp(longer, LongSide.Least, LongSide.Most);
        var least = (int)Math.Ceiling((double)side * Slimmest.Short / Slimmest.Long);
        int Scaled(int old) => old == longer ? side : Math.Max(least, (int)Math.Round((double)old * side / longer));
        return new PixelSize(Scaled(size.Width), Scaled(size.Height));
    }

    /// <summary>The rule in words: "56 x 56", "a square with a side of 32, 64, 128, 256 or 512".</summary>
    public override string ToString()
    {
        if (IsExact) return new PixelSize(Width.Least, Height.Least).ToString();
        if (Slimmest.Short > 0)
            return $"a long side of {LongSide.Least} to {LongSide.Most}, between {Slimmest.Short}:{Slimmest.Long} and "
                + $"{Slimmest.Long}:{Slimmest.Short}";
        var sides = PowerOfTwo
            ? OrList(Allowed(Width).Select(s => s.ToString(CultureInfo.InvariantCulture)))
            : $"{(MultipleOf > 1 ? $"a multiple of {MultipleOf} " : "")}from {Width.Least} to {Width.Most}";
        if (Square) return $"a square with a side of {sides}";
        return Width == Height
            ? $"sides that are each {sides}"
            : $"{Words(Width)} wide and {Words(Height)} high";
    }

    private static string Words((int Least, int Most) range) =>
        range.Least == range.Most ? $"{range.Least}" : $"{range.Least} to {range.Most}";

    private static string OrList(IEnumerable<string> words)
    {
        var list = words.ToList();
        return list.Count == 1 ? list[0] : $"{string.Join(", ", list.Take(list.Count - 1))} or {list[^1]}";
    }

    private IEnumerable<int> Allowed((int Least, int Most) range)
    {
        for (var side = range.Least; side <= range.Most; side++)
            if (side % MultipleOf == 0 && (!PowerOfTwo || BitOperations.IsPow2(side))) yield return side;
    }

    private int NearestSide(double side, (int Least, int Most) range) => Allowed(range).MinBy(s => Math.Abs(s - side));
}
