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
/// <param name="Else">What comes of another size.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SizeRule(
    (int Least, int Most) Width,
    (int Least, int Most) Height,
    bool Square,
    bool PowerOfTwo,
    int MultipleOf,
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
        return inside && (!Square || size.Width == size.Height) ? null : SizeFault.OutOfRange;
    }

    /// <summary>The allowed size that is nearest to a size.</summary>
    public PixelSize Nearest(PixelSize size)
    {
        if (Square)
        {
            var side = NearestSide((size.Width + size.Height + 1) / 2, Width);
            return new PixelSize(side, side);
        }

        return new PixelSize(NearestSide(size.Width, Width), NearestSide(size.Height, Height));
    }

    /// <summary>The rule in words: "56 x 56", "a square with a side of 32, 64, 128, 256 or 512".</summary>
    public override string ToString()
    {
        if (Width.Least == Width.Most && Height.Least == Height.Most) return new PixelSize(Width.Least, Height.Least).ToString();
        var sides = PowerOfTwo
            ? OrList(Allowed(Width).Select(s => s.ToString(CultureInfo.InvariantCulture)))
            : $"{(MultipleOf > 1 ? $"a multiple of {MultipleOf} " : "")}from {Width.Least} to {Width.Most}";
        if (Square) return $"a square with a side of {sides}";
        return Width == Height
            ? $"sides that are each {sides}"
            : $"{Words(Width)} wide and {Words(Height)} high";
    }

    private static string Words((int Least, int Most) range) => range.Least == range.Most ? $"{range.Least}" : $"{range.Least} to {range.Most}";

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

    private int NearestSide(int side, (int Least, int Most) range) => Allowed(range).MinBy(s => Math.Abs((long)s - side));
}
