using System.Buffers.Binary;
using System.Runtime.Intrinsics;

namespace Underlay.Core.Images;

/// <summary>
/// Rows of a picture summed up to a new row, many channels at a time, of which new pixels are means. In single precision: the mean of
/// thousands of rows is off by less than a tenth of a level.
/// </summary>
internal sealed class AreaSums
{
    // Channels of two pixels, which are taken at once.
    private const int Pair = 2 * 4;

    private readonly RgbaPicture picture;
    private readonly bool isOpaque;

    // Four numbers a pixel, with room for a whole pair: red, green, blue and one, plain and multiplied by alpha. A solid picture
    // has its four channels in the plain ones only.
    private readonly float[] plain;
    private readonly float[] solid;
    private readonly float[] plainRow;
    private readonly float[] solidRow;
    private int widened = -1;

    /// <summary>Sums of no rows yet.</summary>
    public AreaSums(RgbaPicture picture)
    {
        this.picture = picture;
        isOpaque = picture.IsOpaque;
        var room = (picture.Size.Width + 1) / 2 * Pair;
        (plain, plainRow) = (new float[room], new float[room]);
        (solid, solidRow) = isOpaque ? ([], []) : (new float[room], new float[room]);
    }

    /// <summary>Sums up the rows that a new row covers, in place of those before.</summary>
    public void Sum(Cover rows)
    {
        for (var j = 0; j < rows.Weights.Length; j++)
        {
            // New rows that lie side by side may both cover a part of the same old one.
            if (widened != rows.First + j) Widen(picture.Row(rows.First + j));
            widened = rows.First + j;
            Add(rows.Weights[j], plainRow, plain, isFirst: j == 0);
            Add(rows.Weights[j], solidRow, solid, isFirst: j == 0);
        }
    }

    /// <summary>The mean of what a new pixel covers in the summed rows, rounded, as the four bytes of a pixel.</summary>
    public uint Mean(Cover columns)
    {
        if (isOpaque) return Rounded(Sum(columns, plain));
        var sum = Sum(columns, solid);
        var alpha = sum[3];
        var mean = alpha > 0 ? sum / Vector128.Create(alpha) : Sum(columns, plain);
        return Rounded(mean.WithElement(3, alpha));
    }

    private static Vector128<float> Sum(Cover columns, ReadOnlySpan<float> sums)
    {
        var sum = Vector128<float>.Zero;
        var covered = sums.Slice(columns.First * 4, columns.Weights.Length * 4);
        for (var i = 0; i < columns.Weights.Length; i++)
            sum += Vector128.Create(columns.Weights[i]) * Vector128.Create(covered.Slice(i * 4, 4));
        return sum;
    }

    private static uint Rounded(Vector128<float> mean)
    {
        var levels = Vector128.ConvertToInt32(mean + Vector128.Create(0.5f));
        var halves = Vector128.Narrow(levels, levels).AsUInt16();
        return Vector128.Narrow(halves, halves).AsUInt32().ToScalar();
    }

    private static void Add(float weight, ReadOnlySpan<float> row, Span<float> sums, bool isFirst)
    {
        var factor = Vector256.Create(weight);
        for (var i = 0; i < sums.Length; i += Pair)
        {
            var to = sums.Slice(i, Pair);
            var more = factor * Vector256.Create(row.Slice(i, Pair));
            (isFirst ? more : Vector256.Create<float>(to) + more).CopyTo(to);
        }
    }

    /// <summary>Makes numbers of a row's bytes, two pixels at a time; behind an odd one comes a clear one.</summary>
    private void Widen(ReadOnlySpan<byte> row)
    {
        var isAlpha = Vector256.Create(0, 0, 0, -1, 0, 0, 0, -1).AsSingle();
        for (var i = 0; i < row.Length; i += Pair)
        {
            var pair = row.Length - i < Pair
                ? BinaryPrimitives.ReadUInt32LittleEndian(row[i..])
                : BinaryPrimitives.ReadUInt64LittleEndian(row[i..]);
            var channels = Vector128.WidenLower(Vector128.CreateScalar(pair).AsByte());
            var levels = Vector256.Create(Vector128.WidenLower(channels), Vector128.WidenUpper(channels)).AsInt32();
            var numbers = Vector256.ConvertToSingle(levels);
            if (isOpaque)
            {
                numbers.CopyTo(plainRow, i);
                continue;
            }

            var colours = Vector256.ConditionalSelect(isAlpha, Vector256<float>.One, numbers);
            colours.CopyTo(plainRow, i);
            (colours * Vector256.Shuffle(numbers, Vector256.Create(3, 3, 3, 3, 7, 7, 7, 7))).CopyTo(solidRow, i);
        }
    }
}
